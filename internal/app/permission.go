package app

import (
	"context"
	"encoding/hex"
	"slices"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// PermissionFields are a guardian's answer. Doing, photos and gallery are
// separate choices, all no until chosen.
type PermissionFields struct {
	Decision string `json:"decision" enum:"granted,declined,withdrawn"`
	Guardian string `json:"guardian,omitempty" doc:"Name of the adult who agrees" example:"A. Fernsby"`
	Photos   bool   `json:"photos,omitempty" doc:"Photos may be sent"`
	Gallery  bool   `json:"gallery,omitempty" doc:"They may be shown to the class without a name"`
	Adult    bool   `json:"adult,omitempty" doc:"The adult jobs are agreed to"`
	TextSha  string `json:"text_sha" doc:"Of the text that was shown, as the sheet gave it"`
}

func viewPermission(p store.Permission, d doing) sheets.PermissionView {
	if d.Way == design.WatchShared {
		return sheets.PermissionView{State: "watching"}
	}
	v := sheets.PermissionView{
		State:    p.Kind,
		Guardian: p.Guardian,
		Photos:   p.Photos,
		Gallery:  p.Gallery,
		At:       &p.At,
		TextSha:  hex.EncodeToString(d.sha),
	}
	if p.Kind == "granted" && !d.agrees(p.TextSha) {
		v.State = "lapsed"
	}
	return v
}

// Permit records a guardian's answer to an assignment.
func (a *App) Permit(
	ctx context.Context,
	who HomeActor,
	assignment uuid.UUID,
	f PermissionFields,
) (sheets.PermissionView, error) {
	if !slices.Contains([]string{"granted", "declined", "withdrawn"}, f.Decision) {
		return sheets.PermissionView{}, refusal.Field("decision", refusal.Rule("decision"), "granted")
	}
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return sheets.PermissionView{}, err
	}
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return sheets.PermissionView{}, notFound(err)
	}
	d, err := a.doneBy(ctx, as, who.Home)
	if err != nil {
		return sheets.PermissionView{}, err
	}
	if d.Way == design.WatchShared {
		return sheets.PermissionView{}, errWatchOnly
	}
	sheet := d.sheet(as, hc.reader, a.Now())
	f.Guardian = strings.Join(strings.Fields(f.Guardian), " ")
	if f.Decision == "granted" {
		switch {
		case as.RecalledAt != nil:
			return sheets.PermissionView{},
				&refusal.Refused{Code: "recalled", Words: refusal.Why("recalled.permission")}
		case f.TextSha != sheet.Permission.TextSha:
			return sheets.PermissionView{}, &refusal.Refused{Code: "text-changed", Current: sheet.Permission}
		case f.Guardian == "" || len([]rune(f.Guardian)) > 80:
			return sheets.PermissionView{}, refusal.Field("guardian", refusal.Rule("guardian"), "A. Fernsby")
		case len(sheet.AdultJobs) > 0 && !f.Adult:
			return sheets.PermissionView{}, refusal.Field("adult", refusal.Rule("adult"), "true")
		}
	} else {
		f.Guardian = "" // nobody has to sign for a no
	}
	p := store.Permission{
		ClassID:      who.Class,
		ID:           store.NewID(),
		AssignmentID: assignment,
		HomeID:       who.Home,
		Kind:         f.Decision,
		Guardian:     f.Guardian,
		Photos: f.Photos &&
			f.Decision == "granted",
		Gallery:  f.Gallery && f.Photos && f.Decision == "granted",
		Language: hc.home.Language,
		TextSha:  d.sha,
		At:       a.Now(),
	}
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.HoldHome(ctx, who.Class, who.Home); err != nil {
			return notFound(err)
		}
		if err := q.AddPermission(ctx, p); err != nil {
			return err
		}
		return q.Changed(ctx, store.Event{Class: who.Class, Kind: "permission", ID: assignment})
	})
	return viewPermission(p, d), err
}
