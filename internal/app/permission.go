package app

import (
	"bytes"
	"context"
	"encoding/hex"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/internal/store"
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

// PermissionView is where a home's permission stands.
type PermissionView struct {
	State    string     `json:"state" enum:"asked,granted,declined,withdrawn,lapsed,watching" doc:"watching: the experiment is only shown, and asks for none"`
	Guardian string     `json:"guardian,omitempty"`
	Photos   bool       `json:"photos"`
	Gallery  bool       `json:"gallery"`
	At       *time.Time `json:"at,omitempty"`
	TextSha  string     `json:"text_sha"`
}

func viewPermission(p store.Permission, d *issued) PermissionView {
	if d.Way == design.WatchShared {
		return PermissionView{State: "watching"}
	}
	v := PermissionView{
		State:    p.Kind,
		Guardian: p.Guardian,
		Photos:   p.Photos,
		Gallery:  p.Gallery,
		At:       &p.At,
		TextSha:  hex.EncodeToString(d.sha),
	}
	if p.Kind == "granted" && !bytes.Equal(p.TextSha, d.sha) {
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
) (PermissionView, error) {
	if !contains([]string{"granted", "declined", "withdrawn"}, f.Decision) {
		return PermissionView{}, &Invalid{"decision", rule("decision"), "granted"}
	}
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return PermissionView{}, err
	}
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return PermissionView{}, notFound(err)
	}
	d, err := a.issued(ctx, as)
	if err != nil {
		return PermissionView{}, err
	}
	if d.Way == design.WatchShared {
		return PermissionView{}, errWatchOnly
	}
	sheet := d.sheet(as, hc.reader, a.Now())
	f.Guardian = strings.Join(strings.Fields(f.Guardian), " ")
	if f.Decision == "granted" {
		switch {
		case as.RecalledAt != nil:
			return PermissionView{}, &Refused{Code: "recalled", Words: refusal("recalled.permission")}
		case f.TextSha != sheet.Permission.TextSha:
			return PermissionView{}, &Refused{Code: "text-changed", Current: sheet.Permission}
		case f.Guardian == "" || len([]rune(f.Guardian)) > 80:
			return PermissionView{}, &Invalid{"guardian", rule("guardian"), "A. Fernsby"}
		case len(sheet.AdultJobs) > 0 && !f.Adult:
			return PermissionView{}, &Invalid{"adult", rule("adult"), "true"}
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
