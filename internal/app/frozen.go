package app

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// sheetFormat is the form in which a guardian's sheet is frozen. Raise it when
// [SafetyPart] changes so that an older one can no longer be drawn.
const sheetFormat = 1

// freezeSheets keeps what the guardians of a new version read, in each
// language, with the school's assessment of it.
func freezeSheets(ctx context.Context, q *store.Queries, v store.Version, d *design.Document, now time.Time) error {
	if d.Way == design.WatchShared {
		return nil // there is nothing to agree to
	}
	assessed, err := q.AssessmentOf(ctx, v.ExperimentID, v.Sha256)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return err
	}
	r := review.Of(d)
	sha := sheets.PermissionSha(d)
	for _, language := range text.Languages {
		p := sheets.Guardian(d, r, language)
		if assessed.ID != uuid.Nil {
			i := slices.IndexFunc(p.Sections, func(s sheets.SheetSection) bool { return s.ID == "general" })
			p.Sections[i].Lines = append(p.Sections[i].Lines, assessedLine(assessed, language))
		}
		body, err := json.Marshal(p)
		if err != nil {
			return err
		}
		s := store.VersionSheet{
			VersionID: v.ID,
			Language:  language,
			Format:    sheetFormat,
			TextSha:   sha,
			Body:      body,
			FrozenAt:  now,
		}
		if err := q.AddVersionSheet(ctx, s); err != nil {
			return err
		}
	}
	return nil
}

// frozen puts the sheet in place as it was frozen, while the rules still find
// what they found then. Where they find more the present sheet stands, and a
// permission given to the old one has lapsed.
func frozen(p *sheets.SafetyPart, version uuid.UUID, sha []byte, kept []store.VersionSheet) {
	i := slices.IndexFunc(kept, func(s store.VersionSheet) bool { return s.VersionID == version })
	if i < 0 || kept[i].Format != sheetFormat || !bytes.Equal(kept[i].TextSha, sha) {
		return
	}
	var then sheets.SafetyPart
	if json.Unmarshal(kept[i].Body, &then) == nil {
		*p = then
	}
}
