package app

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

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
		return t, refusal.Field("email", refusal.Rule("address"), "tarrant@stonechat.example")
	case t.Name == "" || len(t.Name) > 100:
		return t, refusal.Field("name", refusal.Rule("as-families-read"), "Ms Tarrant")
	}
	if err := checkPassword("password", password, t.Email, t.Name); err != nil {
		return t, err
	}
	t.PasswordHash = keys.HashPassword(password)
	err := a.Store.AddTeacher(ctx, t)
	if errors.Is(err, store.ErrConflict) {
		return t, refusal.Field("email", refusal.Rule("taken-address"), "a second address")
	}
	return t, err
}

// Teacher finds the teacher who is signed in.
func (a *App) Teacher(ctx context.Context, who TeacherActor) (store.Teacher, error) {
	t, err := a.Store.Teacher(ctx, who.ID)
	return t, notFound(err)
}

// RemoveTeacher takes an account away: nobody can sign in with it, and neither
// name nor address is left. A class that stands is somebody's and has to be
// deleted first.
func (a *App) RemoveTeacher(ctx context.Context, email string) error {
	t, err := a.Store.TeacherByEmail(ctx, strings.ToLower(strings.TrimSpace(email)))
	if err != nil {
		return notFound(err)
	}
	classes, err := a.Store.Classes(ctx, t.ID)
	if err != nil {
		return err
	}
	if len(classes) > 0 {
		var names []string
		for _, c := range classes {
			names = append(names, c.Name)
		}
		return fmt.Errorf(
			"%s still has %s: delete the classes first, or let their last day pass",
			t.Email,
			strings.Join(names, ", "),
		)
	}
	return a.Store.InTx(ctx, func(q *store.Queries) error { return q.RemoveTeacher(ctx, t.ID, a.Now()) })
}
