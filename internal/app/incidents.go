package app

import (
	"context"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/safety"
	"patient-kitchen/internal/store"
)

// IncidentFields are what a home tells through Something went wrong.
type IncidentFields struct {
	Assignment *uuid.UUID `json:"assignment,omitempty"`
	Door       string     `json:"door" enum:"hurt,spilled,not-working"`
	Card       string     `json:"card,omitempty" doc:"Which advice was shown"`
	Outcome    string     `json:"outcome,omitempty" enum:"fine,phone-us,mistaken-tap," doc:"What an adult of the home says"`
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
	doors := []string{string(safety.Hurt), string(safety.Spilled), string(safety.NotWorking)}
	switch {
	case !contains(doors, f.Door):
		return &Invalid{"door", "has to be one of the three", "hurt"}
	case len([]rune(f.Note)) > 1000:
		return &Invalid{"note", "can have at most 1000 signs", "warm water on my hand"}
	case len(f.Card) > 40 || len(f.Outcome) > 40:
		return &Invalid{"card", "has to be one of the cards", "burn"}
	case f.PhoneTime.Year() < 2000 || f.PhoneTime.Year() > 2200:
		return &Invalid{"phone_time", "has to be a time", a.Now().UTC().Format(time.RFC3339)}
	}
	if f.Assignment != nil {
		if _, err := a.Store.Assignment(ctx, who.Class, *f.Assignment); err != nil {
			return notFound(err)
		}
	}
	i := store.Incident{ClassID: who.Class, ID: id, AssignmentID: f.Assignment, HomeID: who.Home, Door: f.Door, Card: f.Card, Outcome: f.Outcome,
		Note: strings.TrimSpace(f.Note), PhoneTime: f.PhoneTime, ReceivedAt: a.Now()}
	err := a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.PutIncident(ctx, i); err != nil {
			return err
		}
		return q.Notify(ctx, store.Event{Class: who.Class, Kind: "incident", ID: id})
	})
	return notFound(err)
}

// Incidents lists what homes told, unseen first.
func (a *App) Incidents(ctx context.Context, who TeacherActor, language string) ([]IncidentView, error) {
	rows, err := a.Store.Incidents(ctx, who.ID, a.Now().AddDate(0, 0, -7))
	titles := map[string]string{}
	for _, c := range FirstAid(language) {
		titles[c.ID] = c.Title
	}
	out := make([]IncidentView, 0, len(rows))
	for _, r := range rows {
		out = append(out, IncidentView{ID: r.ID, Class: r.ClassID, Assignment: r.AssignmentID, ClassName: r.ClassName, Home: r.HomeID, Nickname: r.Nickname, Phone: r.Phone, Door: r.Door, Advice: titles[r.Card],
			Outcome: r.Outcome, Note: r.Note, PhoneTime: r.PhoneTime, ReceivedAt: r.ReceivedAt, SeenAt: r.SeenAt})
	}
	return out, err
}

// SeeIncident notes that the teacher has seen an incident.
func (a *App) SeeIncident(ctx context.Context, who TeacherActor, class, id uuid.UUID) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	return a.audited(ctx, who, class, nil, "incident", "seen", func(q *store.Queries) error { return notFound(q.MarkIncidentSeen(ctx, class, id, a.Now())) })
}
