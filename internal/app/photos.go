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

// mediaRefused says why a picture, or a clip or sound, was not taken.
func mediaRefused(reason media.Reason, form string) *refusal.Refused {
	recording := form != string(media.PictureForm)
	switch {
	case recording && (reason == media.TooLarge || reason == media.Broken):
		return &refusal.Refused{Code: string(reason), Words: refusal.Why(string(reason) + ".recording")}
	case reason == media.TooLarge:
		return &refusal.Refused{Code: string(reason), Words: refusal.Why("too-large.picture")}
	}
	return &refusal.Refused{Code: string(reason)}
}

var errOtherPicture = &refusal.Refused{Code: "other-body", Words: refusal.Why("other-body.picture")}

// PutPhoto takes a picture from a home under an id of the phone's making.
// Nothing is stored of one that cannot be read.
func (a *App) PutPhoto(ctx context.Context, who HomeActor, assignment, id uuid.UUID, upload []byte) error {
	return a.putMedia(ctx, who, assignment, id, upload, func(m *store.Media) (map[string][]byte, error) {
		p, err := a.Desk.Take(ctx, upload)
		m.Form, m.Width, m.Height = string(media.PictureForm), p.Width, p.Height
		return map[string][]byte{"display": p.Display, "thumbnail": p.Thumbnail}, err
	})
}

// PutRecording takes a clip or a sound from a home, as PutPhoto does a picture.
func (a *App) PutRecording(ctx context.Context, who HomeActor, assignment, id uuid.UUID, upload []byte) error {
	return a.putMedia(ctx, who, assignment, id, upload, func(m *store.Media) (map[string][]byte, error) {
		r, err := a.Recorder.Take(ctx, upload)
		m.Form, m.Width, m.Height, m.Seconds = string(r.Form), r.Width, r.Height, r.Seconds
		sizes := map[string][]byte{"recording": r.File}
		if r.Poster != nil {
			sizes["thumbnail"] = r.Poster
		}
		return sizes, err
	})
}

// putMedia takes what a home shows, where it may; ready makes its files.
func (a *App) putMedia(
	ctx context.Context,
	who HomeActor,
	assignment, id uuid.UUID,
	upload []byte,
	ready func(*store.Media) (map[string][]byte, error),
) error {
	if err := a.mayShow(ctx, who, assignment); err != nil {
		return err
	}
	sum := sha256.Sum256(upload)
	if had, err := a.Store.Media(ctx, who.Class, id); err == nil {
		return sameUpload(had, who, sum)
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
	m := store.Media{
		ClassID:      who.Class,
		ID:           id,
		AssignmentID: assignment,
		HomeID:       &who.Home,
		UploadSha:    sum[:],
		CreatedAt:    a.Now(),
	}
	sizes, err := ready(&m)
	var refused *media.Refused
	switch {
	case errors.As(err, &refused):
		return mediaRefused(refused.Reason, m.Form)
	case errors.Is(err, media.ErrNoRecorder):
		return &refusal.Refused{Code: "no-recordings"}
	case err != nil:
		return err
	}
	return a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.HoldHome(ctx, who.Class, who.Home); err != nil {
			return notFound(err)
		}
		added, err := q.AddMedia(ctx, m, sizes)
		if err != nil || added {
			return err
		}
		// Another one was faster under this id: the first stands.
		had, err := q.Media(ctx, who.Class, id)
		if err != nil {
			return err
		}
		return sameUpload(had, who, sum)
	})
}

// mayShow reports whether a home may send pictures, clips and sounds.
func (a *App) mayShow(ctx context.Context, who HomeActor, assignment uuid.UUID) error {
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
	for _, p := range permissions {
		if p.AssignmentID == as.ID && p.Kind == "granted" && p.Photos {
			return nil
		}
	}
	return &refusal.Refused{Code: "no-photos"}
}

// sameUpload reports whether what is there is the same home's same upload.
func sameUpload(had store.Media, who HomeActor, sum [32]byte) error {
	if had.HomeID == nil || *had.HomeID != who.Home || !bytes.Equal(had.UploadSha, sum[:]) {
		return errOtherPicture
	}
	return nil
}

// HomePhoto reads one size of a home's own picture; of a clip or sound, the recording.
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

// TeacherPhoto reads one size of a picture, or a clip or sound, of one of the teacher's classes; not one of a
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
