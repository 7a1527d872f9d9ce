package demo

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/notebook"
	"patient-kitchen/docs"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/entries"
)

// How the demo's teacher signs in.
const (
	Email    = "tarrant@stonechat.example"
	Password = "snow on the moor"
	marker   = "demo"
)

// ErrNotDemo says that a database holds something that is not the demo.
var ErrNotDemo = errors.New("this database holds something else than the demo; give the demo a database of its own")

var homes7M = []string{
	"Adder",
	"Beck",
	"Bilberry",
	"Bracken",
	"Cairn",
	"Dunlin",
	"Fern",
	"Foxglove",
	"Gorse",
	"Hare",
	"Heather",
	"Juniper",
	"Kestrel",
	"Lapwing",
	"Lichen",
	"Merlin",
	"Peat",
	"Plover",
	"Rowan",
	"Sedge",
	"Snipe",
	"Tarn",
	"Tussock",
	"Wheatear",
}

var homes5B = []string{
	"Alder",
	"Aspen",
	"Birch",
	"Bog Myrtle",
	"Bunting",
	"Clover",
	"Cotton Grass",
	"Cuckoo",
	"Curlew",
	"Dipper",
	"Eyebright",
	"Harebell",
	"Linnet",
	"Moss",
	"Otter",
	"Pipit",
	"Sundew",
	"Whinchat",
}

// Ready reports whether the database holds the demo already. It fails with
// ErrNotDemo when it holds anything else.
func Ready(ctx context.Context, s *store.Store) (bool, error) {
	if _, err := s.Marker(ctx, marker); err == nil {
		return true, nil
	} else if !errors.Is(err, store.ErrNotFound) {
		return false, err
	}
	var used bool
	if err := s.Pool().QueryRow(ctx, `SELECT EXISTS (SELECT FROM teacher)`).Scan(&used); err != nil {
		return false, err
	}
	if used {
		return false, ErrNotDemo
	}
	return false, nil
}

// seeder makes things through the use cases, at made-up moments.
type seeder struct {
	app     *app.App
	ctx     context.Context
	moment  time.Time
	teacher app.TeacherActor
	class   uuid.UUID // 7M
	younger uuid.UUID // 5B
	as      uuid.UUID
	rng     *rand.Rand
}

// Seed fills an empty database as of now. The same now and seed give the same
// readings.
func Seed(ctx context.Context, a *app.App, now time.Time, seed uint64) error {
	s := &seeder{ctx: ctx, rng: rand.New(rand.NewPCG(seed, 7))}
	s.app = &app.App{
		Store:     a.Store,
		Keys:      a.Keys,
		Desk:      a.Desk,
		Recorder:  a.Recorder,
		PublicURL: a.PublicURL,
		Log:       a.Log,
		Limits:    a.Limits,
		Now:       func() time.Time { return s.moment },
	}
	lesson := time.Date(now.Year(), now.Month(), now.Day(), 10, 40, 0, 0, time.UTC).AddDate(0, 0, -1)
	s.moment = lesson.AddDate(0, 0, -2)
	t, err := s.app.AddTeacher(ctx, Email, "Ms Tarrant", Password)
	if err != nil {
		return err
	}
	s.teacher = app.TeacherActor{ID: t.ID}
	if err := s.classes(now); err != nil {
		return err
	}
	if err := s.experiments(lesson); err != nil {
		return err
	}
	homes, err := s.app.Homes(ctx, s.teacher, s.class)
	if err != nil {
		return err
	}
	if err := s.kitchens(homes); err != nil {
		return err
	}
	for i, h := range homes {
		if err := s.home(i, h, lesson); err != nil {
			return fmt.Errorf("%s: %w", h.Nickname, err)
		}
	}
	s.moment = now
	if err := s.teachersOwn(lesson); err != nil {
		return err
	}
	if err := s.sugarClass(lesson); err != nil {
		return fmt.Errorf("5B: %w", err)
	}
	s.moment = now
	if err := s.sharedSugar(lesson); err != nil {
		return err
	}
	return a.Store.SetMarker(ctx, marker, now.UTC().Format(time.RFC3339))
}

func (s *seeder) classes(now time.Time) error {
	for _, c := range []struct {
		name  string
		homes []string
	}{{"7M", homes7M}, {"5B", homes5B}} {
		v, err := s.app.AddClass(
			s.ctx,
			s.teacher,
			app.ClassFields{
				Name:            c.name,
				School:          "Stonechat Moor School",
				Zone:            "Europe/London",
				Language:        "en",
				UnitSystem:      "metric",
				EmergencyNumber: "112",
				PoisonNumber:    "0555 010 010",
				PhotoDays:       30,
				KeepUntil:       now.AddDate(0, 9, 0).Format(time.DateOnly),
			},
		)
		if err != nil {
			return err
		}
		if c.name == "7M" {
			s.class = v.ID
		} else {
			s.younger = v.ID
		}
		for i, h := range c.homes {
			f := app.HomeFields{Nickname: h, Phone: fmt.Sprintf("0555 010 %03d", 100+i)}
			if h != "Snipe" { // who has paper alone
				f.Contact = strings.ReplaceAll(strings.ToLower(h), " ", "-") + "@home.example"
			}
			f.Language = homesSaid.Homes[h]
			if h == "Hare" {
				f.Students = []string{"Hare the elder", "Hare the younger"}
			}
			if _, err := s.app.AddHome(s.ctx, s.teacher, v.ID, f); err != nil {
				return err
			}
		}
	}
	return nil
}

func (s *seeder) experiments(lesson time.Time) error {
	var strips uuid.UUID
	for _, name := range slices.Backward(docs.Ready) { // the last made stands first
		if name == sugar {
			continue // made with its class
		}
		raw, err := drafts.Example(name)
		if err != nil {
			return err
		}
		s.moment = s.moment.Add(time.Minute)
		d, err := s.app.AddExperiment(s.ctx, s.teacher, raw, "en")
		if err != nil {
			return err
		}
		strips = d.ID
	}
	s.moment = lesson.Add(-20 * time.Hour)
	v, err := s.app.Issue(
		s.ctx,
		s.teacher,
		s.class,
		app.IssueFields{
			Experiment: strips,
			OpensAt:    lesson.Add(-2 * time.Hour),
			DueAt:      lesson.AddDate(0, 0, 2).Add(9 * time.Hour),
		},
		"en",
	)
	s.as = v.ID
	return err
}

// teachersOwn are Ms Tarrant's readings, for homes that watch.
func (s *seeder) teachersOwn(lesson time.Time) error {
	k := &kitchenOf{rng: s.rng, factor: 1, tool: "ruler-mm", lang: "en"}
	for p := range papers {
		for i, m := range minutes {
			f := entries.EntryFields{
				Kind:      string(notebook.Reading),
				Reading:   "height",
				Condition: papers[p].condition,
				Time:      fmt.Sprintf("%.0f min", minutes[i]),
				Trial:     1,
				Typed: k.typed(
					k.height(p, m),
				),
				Instrument: k.tool,
				PhoneTime:  lesson.Add(time.Duration(m) * time.Minute),
			}
			raw, err := json.Marshal(f)
			if err != nil {
				return err
			}
			if _, err := s.app.PutSharedEntry(s.ctx, s.teacher, s.class, s.as, store.NewID(), raw); err != nil {
				return err
			}
		}
	}
	return nil
}
