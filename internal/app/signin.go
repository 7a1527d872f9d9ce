package app

import (
	"context"
	"errors"
	"strings"

	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// SignIn checks an address and password. Wrong tries are counted by network,
// fewer of them let through while somebody tries at this account from
// everywhere; never by account alone, so that a stranger cannot lock a teacher
// out. A browser in which the teacher has signed in before (known) counts for
// itself and does not queue with the others. A wrong address costs as much time
// as a wrong password.
func (a *App) SignIn(ctx context.Context, email, password, network, known string) (store.Teacher, error) {
	email = strings.ToLower(strings.TrimSpace(email))
	t, err := a.Store.TeacherByEmail(ctx, email)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return store.Teacher{}, err
	}
	friend := err == nil && a.Keys.Knows(known, t.ID)
	key, most := "net "+network, passwordTries
	if friend {
		key = "known " + known
	} else {
		select {
		case queue <- struct{}{}:
			defer func() { <-queue }()
		default: // at once, and not counted: a crowd must not make everybody wait
			return store.Teacher{}, &refusal.Refused{Code: "busy", Words: refusal.Why("busy.sign-in")}
		}
		attacked, err := a.Store.Attempts(ctx, "password", "email "+email, passwordWindow, a.Now())
		if err != nil {
			return store.Teacher{}, err
		}
		if attacked > manyWrong {
			most = passwordTriesUnderAttack
		}
	}
	n, err := a.Store.CountAttempt(ctx, "password", key, passwordWindow, a.Now())
	if err != nil {
		return store.Teacher{}, err
	}
	if n > most {
		return store.Teacher{}, errTooManyTries
	}
	if !keys.CheckPassword(t.PasswordHash, password, friend) {
		_, err := a.Store.CountAttempt(ctx, "password", "email "+email, passwordWindow, a.Now())
		return store.Teacher{}, errors.Join(err, &refusal.Refused{Code: "wrong-password"})
	}
	return t, a.Store.UncountAttempt(ctx, "password", key) // a right one is no wrong one
}

// Access is the kind of an event for a teacher: what their pages may hear has
// changed, by a new class or by signing out. Its class is the teacher's id.
const Access = "access"

// SignedOut tells the teacher's open pages to ask again whether they may.
func (a *App) SignedOut(who TeacherActor) {
	a.Store.Hint(store.Event{Class: who.ID, Kind: Access})
}
