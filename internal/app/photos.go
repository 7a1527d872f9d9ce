package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"errors"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// pictureRefused says why a picture was not taken.
func pictureRefused(reason media.Reason) *refusal.Refused {
	if reason == media.TooLarge {
		return &refusal.Refused{Code: string(reason), Words: refusal.Why("too-large.picture")}
	}
	return &refusal.Refused{Code: string(reason)}
}

var errOtherPicture = &refusal.Refused{Code: "other-body", Words: refusal.Why("other-body.picture")}

// PutPhoto takes a picture from a home under an id of the phone's making.
// Nothing is stored of one that cannot be read.
func (a *App) PutPhoto(ctx context.Context, who HomeActor, assignment, id uuid.UUID, upload []byte) error {
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return notFound(err)
	}
	d, err := a.doneBy(ctx, as, who.Home)
	if err != nil {
		return err
	}
	if as.RecalledAt != nil {
		return errRecalled
	}
	if d.Way == design.WatchShared {
		return errWatchOnly
	}
	permissions, err := a.Store.HomePermissions(ctx, who.Class, who.Home)
	if err != nil {
		return err
	}
	allowed := false
	for _, p := range permissions {
		allowed = allowed || p.AssignmentID == as.ID && p.Kind == "granted" && p.Photos
	}
	if !allowed {
		return &refusal.Refused{Code: "no-photos"}
	}
	sum := sha256.Sum256(upload)
	if had, err := a.Store.Media(ctx, who.Class, id); err == nil {
		if had.HomeID == nil || *had.HomeID != who.Home || !bytes.Equal(had.UploadSha, sum[:]) {
			return errOtherPicture
		}
		return nil
	} else if !errors.Is(err, store.ErrNotFound) {
		return err
	}
	n, size, err := a.Store.MediaOf(ctx, who.Class, assignment, who.Home)
	if err != nil {
		return err
	}
	if most := a.limits(); n >= most.Pictures || size >= most.Bytes {
		return errFull("pictures")
	}
	p, err := a.Desk.Take(ctx, upload)
	var refused *media.Refused
	if errors.As(err, &refused) {
		return pictureRefused(refused.Reason)
	}
	if err != nil {
		return err
	}
	m := store.Media{
		ClassID:      who.Class,
		ID:           id,
		AssignmentID: assignment,
		HomeID:       &who.Home,
		Width:        p.Width,
		Height:       p.Height,
		UploadSha:    sum[:],
		CreatedAt:    a.Now(),
	}
	return a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.HoldHome(ctx, who.Class, who.Home); err != nil {
			return notFound(err)
		}
		added, err := q.AddMedia(ctx, m, p.Display, p.Thumbnail)
		if err != nil || added {
			return err
		}
		// Another one was faster under this id: the first stands.
		had, err := q.Media(ctx, who.Class, id)
		if err == nil && (had.HomeID == nil || *had.HomeID != who.Home || !bytes.Equal(had.UploadSha, sum[:])) {
			return errOtherPicture
		}
		return err
	})
}

// HomePhoto reads one of a home's own pictures.
func (a *App) HomePhoto(ctx context.Context, who HomeActor, id uuid.UUID, size string) ([]byte, error) {
	m, err := a.Store.Media(ctx, who.Class, id)
	if err == nil && (m.HomeID == nil || *m.HomeID != who.Home) {
		return nil, refusal.ErrNotFound
	}
	if err != nil {
		return nil, notFound(err)
	}
	b, err := a.Store.MediaBytes(ctx, who.Class, id, size)
	return b, notFound(err)
}

// TeacherPhoto reads a picture of one of the teacher's classes; not one of a
// home that took its permission back.
func (a *App) TeacherPhoto(ctx context.Context, who TeacherActor, class, id uuid.UUID, size string) ([]byte, error) {
	if _, err := a.class(ctx, who, class); err != nil {
		return nil, err
	}
	m, err := a.Store.Media(ctx, class, id)
	if err != nil {
		return nil, notFound(err)
	}
	if m.HomeID != nil {
		permissions, err := a.Store.HomePermissions(ctx, class, *m.HomeID)
		if err != nil {
			return nil, err
		}
		for _, p := range permissions {
			if p.AssignmentID == m.AssignmentID && (p.Kind != "granted" || !p.Photos) {
				return nil, refusal.ErrNotFound
			}
		}
	}
	b, err := a.Store.MediaBytes(ctx, class, id, size)
	return b, notFound(err)
}
