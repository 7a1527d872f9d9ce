package app

import (
	"context"
	"errors"
	"strings"
	"time"

	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/store"
)

// How many tries at a password or code are let through in a window.
const (
	passwordTries  = 10
	passwordWindow = 15 * time.Minute
	codeTries      = 5
	codeWindow     = time.Hour

	// From so many wrong passwords at one account on, whichever networks they
	// come from, each network has fewer tries at it.
	manyWrong                = 30
	passwordTriesUnderAttack = 3
)

// queue is how many sign-ins from browsers that nobody knows are worked on or
// wait at once; each costs a good part of a second of a processor.
var queue = make(chan struct{}, 12)

// AddTeacher makes an account.
func (a *App) AddTeacher(ctx context.Context, email, name, password string) (store.Teacher, error) {
	t := store.Teacher{
		ID:        store.NewID(),
		Email:     strings.ToLower(strings.TrimSpace(email)),
		Name:      strings.TrimSpace(name),
		CreatedAt: a.Now(),
	}
	switch {
	case !strings.Contains(t.Email, "@") || len(t.Email) > 200:
		return t, &Invalid{"email", rule("address"), "tarrant@stonechat.example"}
	case t.Name == "" || len(t.Name) > 100:
		return t, &Invalid{"name", rule("as-families-read"), "Ms Tarrant"}
	}
	if err := checkPassword("password", password, t.Email, t.Name); err != nil {
		return t, err
	}
	t.PasswordHash = keys.HashPassword(password)
	err := a.Store.AddTeacher(ctx, t)
	if errors.Is(err, store.ErrConflict) {
		return t, &Invalid{"email", rule("taken-address"), "a second address"}
	}
	return t, err
}

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
			return store.Teacher{}, &Refused{Code: "busy", Words: refusal("busy.sign-in")}
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
		return store.Teacher{}, errors.Join(err, &Refused{Code: "wrong-password"})
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

// Teacher finds the teacher who is signed in.
func (a *App) Teacher(ctx context.Context, who TeacherActor) (store.Teacher, error) {
	t, err := a.Store.Teacher(ctx, who.ID)
	return t, notFound(err)
}
