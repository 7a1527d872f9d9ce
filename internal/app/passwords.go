package app

import (
	"context"
	"strings"
	"unicode/utf8"

	"github.com/ccojocar/zxcvbn-go"

	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// LeastPassword is how many signs a password has at least.
const LeastPassword = 12

// checkPassword refuses a password that is short, among the commonest, or made
// of the teacher's own name and address. Nothing is looked up anywhere.
func checkPassword(field, password, email, name string) error {
	example := "three plain words"
	switch n := utf8.RuneCountInString(password); {
	case n < LeastPassword:
		return refusal.Field(field, refusal.Rule("least-signs", "n", LeastPassword), example)
	case len(password) > 200:
		return refusal.Field(field, refusal.Rule("most-bytes", "n", 200), example)
	}
	own := append(strings.FieldsFunc(email, func(r rune) bool { return r == '@' || r == '.' }), strings.Fields(name)...)
	if easy(password, own) || easy(strings.TrimRight(password, "0123456789!?.*#$"), own) {
		return refusal.Field(field, refusal.Rule("guessable"), example)
	}
	return nil
}

// easy reports whether a password, whatever its length, is one of the commonest
// or guessed within about ten thousand tries.
func easy(password string, own []string) bool {
	if len(password) > 60 {
		return false // the estimate takes its time with length
	}
	guess := zxcvbn.PasswordStrength(strings.ToLower(password), own)
	for _, m := range guess.MatchSequence {
		if m.DictionaryName == "Passwords" && m.I == 0 && m.J >= len(password)-1 {
			return true
		}
	}
	return guess.Entropy < 20 // bits
}

// ChangePassword gives a teacher another password, by the present one. Wrong
// tries are counted, so that an open session is not worth a guess.
func (a *App) ChangePassword(ctx context.Context, who TeacherActor, old, password string) error {
	t, err := a.Teacher(ctx, who)
	if err != nil {
		return err
	}
	key := "change " + t.ID.String()
	n, err := a.Store.CountAttempt(ctx, "password", key, passwordWindow, a.Now())
	if err != nil {
		return err
	}
	if n > passwordTries {
		return errTooManyTries
	}
	if !keys.CheckPassword(t.PasswordHash, old, true) {
		return refusal.Field("old", refusal.Rule("old-password"), "the one you signed in with")
	}
	if err := a.setPassword(ctx, t, "password", password); err != nil {
		return err
	}
	return a.Store.UncountAttempt(ctx, "password", key)
}

// SetPassword gives the teacher of an address another password, for whoever
// looks after the server.
func (a *App) SetPassword(ctx context.Context, email, password string) (store.Teacher, error) {
	t, err := a.Store.TeacherByEmail(ctx, strings.ToLower(strings.TrimSpace(email)))
	if err != nil {
		return t, notFound(err)
	}
	return t, a.setPassword(ctx, t, "password", password)
}

func (a *App) setPassword(ctx context.Context, t store.Teacher, field, password string) error {
	if err := checkPassword(field, password, t.Email, t.Name); err != nil {
		return err
	}
	return a.Store.SetPassword(ctx, t.ID, keys.HashPassword(password))
}
