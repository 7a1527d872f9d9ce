package app

import (
	"context"
	"encoding/hex"
	"slices"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
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

	Without []string `json:"without,omitempty" maxItems:"6" doc:"Ids of short activities that are not agreed to; at least one is"`
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
		Without:  p.Without,
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
		without, all := d.without(f.Without)
		switch {
		case all:
			return sheets.PermissionView{}, refusal.Field("without", refusal.Rule("without"), "[]")
		case as.RecalledAt != nil:
			return sheets.PermissionView{},
				&refusal.Refused{Code: "recalled", Words: refusal.Why("recalled.permission")}
		case f.TextSha != sheet.Permission.TextSha:
			return sheets.PermissionView{}, &refusal.Refused{Code: "text-changed", Current: sheet.Permission}
		case f.Guardian == "" || len([]rune(f.Guardian)) > 80:
			return sheets.PermissionView{}, refusal.Field("guardian", refusal.Rule("guardian"), "A. Fernsby")
		case !f.Adult && d.needsAdult(sheet.AdultJobs, without):
			return sheets.PermissionView{}, refusal.Field("adult", refusal.Rule("adult"), "true")
		}
		f.Without = without
	} else {
		f.Guardian, f.Without = "", nil // nobody has to sign for a no
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
		Without:  f.Without,
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

// without keeps of ids those of the design's short activities, and says whether they are all
// of them: then it is declined.
func (d *doing) without(ids []string) (without []string, all bool) {
	for _, a := range d.Activities {
		if slices.Contains(ids, a.ID) {
			without = append(without, a.ID)
		}
	}
	return without, len(without) > 0 && len(without) == len(d.Activities)
}

// needsAdult reports whether an adult has to be there at a step of what is agreed to.
func (d *doing) needsAdult(jobs []sheets.AdultJobRow, without []string) bool {
	return slices.ContainsFunc(jobs, func(j sheets.AdultJobRow) bool {
		a, ok := d.ActivityOf(j.Step)
		return !ok || !slices.Contains(without, a.ID)
	})
}

// guarded are the guards of a home that did not agree to some of the activities.
func (d *doing) guarded(known map[string]string, without []string) notebook.Guards {
	out := d.guards(known)
	for _, a := range d.Activities {
		if slices.Contains(without, a.ID) {
			for _, step := range a.Steps {
				out[step] = notebook.NotAgreed
			}
		}
	}
	return out
}

// takenIn are the ids of the readings that are taken in these activities.
func (d *doing) takenIn(activities []string) []string {
	var out []string
	for _, s := range d.Slots() {
		if a, ok := d.TakenIn(s); ok && slices.Contains(activities, a.ID) && !slices.Contains(out, s.Reading) {
			out = append(out, s.Reading)
		}
	}
	return out
}
