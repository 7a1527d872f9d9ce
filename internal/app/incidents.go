package app

import (
	"context"
	"crypto/sha256"
	"encoding/json"
	"errors"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/safety"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// IncidentFields are what a home tells through Something went wrong.
type IncidentFields struct {
	Assignment *uuid.UUID `json:"assignment,omitempty"`
	Door       string     `json:"door" doc:"hurt, spilled or not-working; anything else is taken as hurt"`
	Card       string     `json:"card,omitempty" doc:"Which advice was shown"`
	Outcome    string     `json:"outcome,omitempty" doc:"What an adult of the home says: fine, phone-us or mistaken-tap; anything else is left out"`
	Note       string     `json:"note,omitempty"`
	PhoneTime  time.Time  `json:"phone_time"`
}

// IncidentView is an incident as the teacher sees it, first on Today.
type IncidentView struct {
	ID         uuid.UUID  `json:"id"`
	Class      uuid.UUID  `json:"class"`
	Assignment *uuid.UUID `json:"assignment,omitempty"`
	ClassName  string     `json:"class_name"`
	Home       uuid.UUID  `json:"home"`
	Nickname   string     `json:"nickname"`
	Phone      string     `json:"phone,omitempty" doc:"The guardian's"`
	Door       string     `json:"door"`
	Advice     string     `json:"advice,omitempty" doc:"Title of the advice the page showed"`
	Outcome    string     `json:"outcome,omitempty"`
	Note       string     `json:"note,omitempty"`
	PhoneTime  time.Time  `json:"phone_time"`
	ReceivedAt time.Time  `json:"received_at"`
	SeenAt     *time.Time `json:"seen_at,omitempty"`
}

// PutIncident takes what a home tells; the same id again adds to it.
func (a *App) PutIncident(ctx context.Context, who HomeActor, id uuid.UUID, f IncidentFields) error {
	f.tidy(a.Now())
	if f.Assignment != nil {
		if _, err := a.Store.Assignment(ctx, who.Class, *f.Assignment); err != nil {
			f.Assignment = nil
		}
	}
	i := store.Incident{
		ClassID:      who.Class,
		ID:           id,
		AssignmentID: f.Assignment,
		HomeID:       who.Home,
		Door:         f.Door,
		Card:         f.Card,
		Outcome:      f.Outcome,
		Note:         strings.TrimSpace(f.Note),
		PhoneTime:    f.PhoneTime,
		ReceivedAt:   a.Now(),
	}
	raw, err := json.Marshal(f)
	if err != nil {
		return err
	}
	sum := sha256.Sum256(raw)
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.HoldHome(ctx, who.Class, who.Home); err != nil {
			return notFound(err)
		}
		before, err := q.LockIncident(ctx, who.Class, id)
		if err != nil && !errors.Is(err, store.ErrNotFound) {
			return err
		}
		if err == nil && before.HomeID != who.Home {
			return refusal.ErrNotFound
		}
		worse := err == nil && gravity(i.Door, i.Outcome) > gravity(before.Door, before.Outcome)
		if err := q.PutIncident(ctx, i, sum[:], worse); err != nil {
			return err
		}
		return q.Changed(ctx, store.Event{Class: who.Class, Kind: "incident", ID: id})
	})
	return notFound(err)
}

// doors are the three ways in, the least grave first.
var doors = []string{string(safety.NotWorking), string(safety.Spilled), string(safety.Hurt)}

// gravity orders what a home told: by what happened, then by whether an adult
// has said that it is fine or that they want to be phoned.
func gravity(door, outcome string) int {
	return 3*slices.Index(doors, door) + map[string]int{"fine": 0, "mistaken-tap": 0, "": 1, "phone-us": 2}[outcome]
}

// tidy leaves out what cannot be kept: a call for help is always taken.
func (f *IncidentFields) tidy(now time.Time) {
	if !slices.Contains(doors, f.Door) {
		f.Door = string(safety.Hurt)
	}
	if note := []rune(f.Note); len(note) > 1000 {
		f.Note = string(note[:1000])
	}
	if len(f.Card) > 40 {
		f.Card = ""
	}
	if !slices.Contains([]string{"", "fine", "mistaken-tap", "phone-us"}, f.Outcome) {
		f.Outcome = ""
	}
	if f.PhoneTime.Year() < 2000 || f.PhoneTime.After(now.Add(48*time.Hour)) {
		f.PhoneTime = now
	}
}

// Incidents lists what homes told, unseen first.
func (a *App) Incidents(ctx context.Context, who TeacherActor, language string) ([]IncidentView, error) {
	rows, err := a.Store.Incidents(ctx, who.ID, a.Now().AddDate(0, 0, -7))
	titles := map[string]string{}
	for _, c := range sheets.FirstAid(language) {
		titles[c.ID] = c.Title
	}
	out := make([]IncidentView, 0, len(rows))
	for _, r := range rows {
		out = append(
			out,
			IncidentView{
				ID:         r.ID,
				Class:      r.ClassID,
				Assignment: r.AssignmentID,
				ClassName:  r.ClassName,
				Home:       r.HomeID,
				Nickname:   r.Nickname,
				Phone:      r.Phone,
				Door:       r.Door,
				Advice:     titles[r.Card],
				Outcome:    r.Outcome,
				Note:       r.Note,
				PhoneTime:  r.PhoneTime,
				ReceivedAt: r.ReceivedAt,
				SeenAt:     r.SeenAt,
			},
		)
	}
	return out, err
}

// SeeIncident notes that the teacher has seen an incident.
func (a *App) SeeIncident(ctx context.Context, who TeacherActor, class, id uuid.UUID) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	return a.audited(
		ctx,
		who,
		class,
		nil,
		"incident",
		"seen",
		func(q *store.Queries) error { return notFound(q.MarkIncidentSeen(ctx, class, id, a.Now())) },
	)
}
