package app

import (
	"context"
	"errors"
	"log/slog"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/internal/config"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/mail"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// App runs the use cases.
type App struct {
	Store     *store.Store
	Keys      *keys.Ring
	Desk      *media.Desk
	Recorder  *media.Recorder  // nil where clips and sounds cannot be taken
	PublicURL string           // without a slash at the end
	Now       func() time.Time // the server's clock
	Log       *slog.Logger
	Mail      mail.Sender   // nil: the stand-in that ships with the program
	Limits    config.Limits // of one home in one experiment; zero takes the usual
	shelf     shelf
}

// usualLimits hold where none are set.
var usualLimits = config.Limits{Entries: 5000, Pictures: 300, Bytes: 1 << 30}

func (a *App) limits() config.Limits {
	if a.Limits == (config.Limits{}) {
		return usualLimits
	}
	return a.Limits
}

// errFull says that nothing more is taken; what the phone has stays there.
func errFull(what string) error {
	return &refusal.Refused{Code: "full", Words: refusal.Why("full." + what)}
}

// TeacherActor is a teacher who signed in.
type TeacherActor struct{ ID uuid.UUID }

// HomeActor is a phone that opened a home's link.
type HomeActor struct{ Class, Home uuid.UUID }

// notFound turns a missing row into ErrNotFound.
func notFound(err error) error {
	if errors.Is(err, store.ErrNotFound) {
		return refusal.ErrNotFound
	}
	return err
}

// class finds a class of the teacher's own.
func (a *App) class(ctx context.Context, who TeacherActor, id uuid.UUID) (store.Class, error) {
	c, err := a.Store.Class(ctx, id)
	if err == nil && c.TeacherID != who.ID {
		return store.Class{}, refusal.ErrNotFound
	}
	return c, notFound(err)
}

// home finds a home of one of the teacher's own classes.
func (a *App) home(ctx context.Context, who TeacherActor, class, id uuid.UUID) (store.Class, store.Home, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return store.Class{}, store.Home{}, err
	}
	h, err := a.Store.Home(ctx, class, id)
	return c, h, notFound(err)
}

// audited runs a change of the teacher's in a transaction, with its line in
// the audit and a live event.
func (a *App) audited(
	ctx context.Context,
	who TeacherActor,
	class uuid.UUID,
	home *uuid.UUID,
	action, detail string,
	change func(q *store.Queries) error,
) error {
	return a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := change(q); err != nil {
			return err
		}
		if err := q.AddAudit(ctx, store.Audit{ClassID: class, TeacherID: who.ID, HomeID: home, Action: action,
			Detail: detail, At: a.Now()}); err != nil {
			return err
		}
		id := class
		if home != nil {
			id = *home
		}
		return q.Changed(ctx, store.Event{Class: class, Kind: action, ID: id})
	})
}
