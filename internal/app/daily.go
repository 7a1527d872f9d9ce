package app

import (
	"context"

	"patient-kitchen/internal/store"
)

// Forgotten says what a daily clean-up removed.
type Forgotten struct {
	Photos int64
	Homes  int
}

// Forget removes what has been kept long enough: photos some days after their
// experiment closed, and homes that were deleted thirty days ago or whose
// class is past its last day; what is left of an erased one goes too. It may run anywhere and any number of times;
// one process does it at a time.
func (a *App) Forget(ctx context.Context) (Forgotten, error) {
	var out Forgotten
	err := a.Store.InTx(ctx, func(q *store.Queries) error {
		got, err := q.LockDaily(ctx)
		if err != nil || !got {
			return err
		}
		if out.Photos, err = q.ForgetOldMedia(ctx, a.Now()); err != nil {
			return err
		}
		homes, err := q.HomesToErase(ctx, a.Now())
		if err != nil {
			return err
		}
		left, err := q.Tombstones(ctx)
		if err != nil {
			return err
		}
		for _, h := range append(left, homes...) {
			if err := q.EraseHome(ctx, h.ClassID, h.ID, a.Now()); err != nil {
				return err
			}
		}
		out.Homes = len(homes)
		return nil
	})
	return out, err
}
