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
)

// AddTeacher makes an account.
func (a *App) AddTeacher(ctx context.Context, email, name, password string) (store.Teacher, error) {
	t := store.Teacher{ID: store.NewID(), Email: strings.ToLower(strings.TrimSpace(email)), Name: strings.TrimSpace(name), CreatedAt: a.Now()}
	switch {
	case !strings.Contains(t.Email, "@") || len(t.Email) > 200:
		return t, &Invalid{"email", "has to be an address", "tarrant@stonechat.example"}
	case t.Name == "" || len(t.Name) > 100:
		return t, &Invalid{"name", "has to be there, as families read it", "Ms Tarrant"}
	case len(password) < 10 || len(password) > 200:
		return t, &Invalid{"password", "has to have at least 10 signs", "three plain words"}
	}
	t.PasswordHash = keys.HashPassword(password)
	err := a.Store.AddTeacher(ctx, t)
	if errors.Is(err, store.ErrConflict) {
		return t, &Invalid{"email", "is taken by another account", "a second address"}
	}
	return t, err
}

// SignIn checks an address and password. Tries are counted per address and
// per network address; a wrong address costs as much time as a wrong password.
func (a *App) SignIn(ctx context.Context, email, password, network string) (store.Teacher, error) {
	email = strings.ToLower(strings.TrimSpace(email))
	for _, key := range []string{"email " + email, "net " + network} {
		n, err := a.Store.CountAttempt(ctx, "password", key, passwordWindow, a.Now())
		if err != nil {
			return store.Teacher{}, err
		}
		if n > passwordTries {
			return store.Teacher{}, &Refused{Code: "too-many-tries", Detail: "Too many tries. Wait a quarter of an hour, then try again."}
		}
	}
	t, err := a.Store.TeacherByEmail(ctx, email)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return store.Teacher{}, err
	}
	if !keys.CheckPassword(t.PasswordHash, password) {
		return store.Teacher{}, &Refused{Code: "wrong-password", Detail: "Address and password do not go together. Look at both; capitals matter in the password."}
	}
	err = a.Store.ForgetAttempts(ctx, "password", "email "+email)
	return t, err
}

// Teacher finds the teacher who is signed in.
func (a *App) Teacher(ctx context.Context, who TeacherActor) (store.Teacher, error) {
	t, err := a.Store.Teacher(ctx, who.ID)
	return t, notFound(err)
}
