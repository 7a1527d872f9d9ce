package demo

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math/rand/v2"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/notebook"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
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
	class   uuid.UUID
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
	for i, h := range homes {
		if err := s.home(i, h, lesson); err != nil {
			return fmt.Errorf("%s: %w", h.Nickname, err)
		}
	}
	s.moment = now
	if err := s.teachersOwn(lesson); err != nil {
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
		}
		for i, h := range c.homes {
			f := app.HomeFields{Nickname: h, Phone: fmt.Sprintf("0555 010 %03d", 100+i)}
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
	for _, name := range []string{"sour-lemon", "warm-wraps", "falling-spinners", "thirsty-beans", "paper-strips"} {
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

// stage is how far a home has come.
type stage struct {
	opened, declined, withdrawn bool
	steps                       int // finished
	sent                        bool
	mistake                     string
	tool                        string
}

// stages that differ from the usual: everything done and sent with a mm ruler.
var stages = map[string]stage{
	"Adder":    {opened: true, declined: true},
	"Tarn":     {opened: true, declined: true},
	"Juniper":  {},
	"Gorse":    {opened: true},
	"Peat":     {opened: true, steps: 3},
	"Beck":     {opened: true, steps: 6},
	"Tussock":  {opened: true, steps: 7},
	"Lichen":   {opened: true, steps: 9, withdrawn: true},
	"Snipe":    {opened: true, steps: 9, sent: true, mistake: "cm-as-mm"},
	"Rowan":    {opened: true, steps: 9, sent: true, mistake: "swapped"},
	"Merlin":   {opened: true, steps: 9, sent: true, mistake: "spoiled"},
	"Dunlin":   {opened: true, steps: 9, sent: true, mistake: "forgot"},
	"Heather":  {opened: true, steps: 9, sent: true, mistake: "corrected"},
	"Sedge":    {opened: true, steps: 9, sent: true, mistake: "unread"},
	"Bracken":  {opened: true, steps: 9, sent: true, tool: "ruler-cm"},
	"Plover":   {opened: true, steps: 9, sent: true, tool: "ruler-in"},
	"Wheatear": {opened: true, steps: 9, sent: true, tool: "ruler-cm"},
}

var stepIDs = []string{"cut", "mark", "hang", "pour", "read-1", "read-2", "read-4", "read-8", "clear"}

func (s *seeder) home(i int, h app.HomeView, lesson time.Time) error {
	st, ok := stages[h.Nickname]
	if !ok {
		st = stage{opened: true, steps: 9, sent: true}
	}
	if st.tool == "" {
		st.tool = "ruler-mm"
	}
	if !st.opened {
		return nil
	}
	who := app.HomeActor{Class: s.class, Home: h.ID}
	s.moment = lesson.Add(-time.Hour + time.Duration(i*47)*time.Second)
	if err := s.open(h); err != nil {
		return err
	}
	if st.declined {
		_, err := s.app.Permit(s.ctx, who, s.as, app.PermissionFields{Decision: "declined"})
		return err
	}
	if st.steps == 0 {
		return nil
	}
	b, err := s.app.Bundle(s.ctx, who)
	if err != nil {
		return err
	}
	sha := b.Sheets[0].Permission.TextSha
	if _, err := s.app.Permit(s.ctx, who, s.as, app.PermissionFields{Decision: "granted", Guardian: "An adult of " + h.Nickname, Photos: true, Gallery: i%3 != 0, TextSha: sha}); err != nil {
		return err
	}
	k := &kitchenOf{rng: s.rng, factor: 1 + 0.07*s.rng.NormFloat64(), tool: st.tool, lang: h.Language}
	s.moment = lesson.Add(time.Duration(s.rng.IntN(120)) * time.Second)
	if err := s.sayOfItself(who, b.Sheets[0].Facts); err != nil {
		return err
	}
	if err := s.predict(who, i, h.Language); err != nil {
		return err
	}
	if err := s.work(who, k, st); err != nil {
		return err
	}
	if h.Nickname == "Fern" {
		if err := s.app.PutIncident(s.ctx, who, store.NewID(), app.IncidentFields{Assignment: &s.as, Door: "spilled", Card: "spill", Outcome: "fine", Note: "Water on the table, wiped up.", PhoneTime: s.moment}); err != nil {
			return err
		}
	}
	if st.withdrawn {
		_, err = s.app.Permit(s.ctx, who, s.as, app.PermissionFields{Decision: "withdrawn", TextSha: sha})
	}
	return err
}

func (s *seeder) open(h app.HomeView) error {
	list, err := s.app.Invitations(s.ctx, s.teacher, s.class)
	if err != nil {
		return err
	}
	for _, i := range list {
		if i.Home == h.ID {
			_, err = s.app.Open(s.ctx, "", i.Code, "home of "+h.Nickname)
		}
	}
	return err
}

func (s *seeder) put(who app.HomeActor, f entries.EntryFields) (uuid.UUID, error) {
	s.moment = s.moment.Add(time.Duration(2+s.rng.IntN(6)) * time.Second)
	f.PhoneTime = s.moment.Add(-time.Second)
	id := store.NewID()
	raw, err := json.Marshal(f)
	if err != nil {
		return id, err
	}
	_, err = s.app.PutEntry(s.ctx, app.Known(who), s.as, id, raw)
	return id, err
}

// sayOfItself answers what the steps ask about the home: here nothing raises.
func (s *seeder) sayOfItself(who app.HomeActor, facts []sheets.FactRow) error {
	for _, f := range facts {
		calm := map[string]string{"yes": "no", "no": "yes"}[f.Raises]
		if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.Fact), Refers: f.ID, Choice: []string{calm}}); err != nil {
			return err
		}
	}
	return nil
}

func (s *seeder) predict(who app.HomeActor, i int, language string) error {
	orders := [][]string{
		{"towel", "filter", "newspaper", "printer"},
		{"filter", "towel", "printer", "newspaper"},
		{"towel", "newspaper", "filter", "printer"},
	}
	why := homesSaid.Said[language].Why
	if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.Answer), Question: "order", Choice: orders[i%3]}); err != nil {
		return err
	}
	_, err := s.put(who, entries.EntryFields{Kind: string(notebook.Answer), Question: "why", Text: why[i%len(why)]})
	return err
}

func (s *seeder) work(who app.HomeActor, k *kitchenOf, st stage) error {
	started := s.moment
	final := make([]float64, len(papers))
	for n, step := range stepIDs[:st.steps] {
		if n == 3 {
			started = s.moment.Add(8 * time.Second)
		}
		if n >= 4 && n <= 7 {
			minute := minutes[n-4]
			s.moment = started.Add(time.Duration(minute * float64(time.Minute)))
			for p := range papers {
				mm := k.height(p, minute)
				if n == 7 {
					final[p] = mm
				}
				if err := s.read(who, k, st, step, p, n-4, mm); err != nil {
					return err
				}
			}
			if n == 7 {
				if err := s.photograph(who, final); err != nil {
					return err
				}
			}
		} else {
			s.moment = s.moment.Add(time.Duration(60+s.rng.IntN(150)) * time.Second)
		}
		if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.StepDone), Step: step}); err != nil {
			return err
		}
	}
	if !st.sent {
		return nil
	}
	said := homesSaid.Said[k.lang].Claim
	if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.Answer), Question: "claim", Text: said[s.rng.IntN(len(said))]}); err != nil {
		return err
	}
	_, err := s.put(who, entries.EntryFields{Kind: string(notebook.Sent)})
	return err
}

// read enters one reading the way this home does it, mistakes included.
func (s *seeder) read(who app.HomeActor, k *kitchenOf, st stage, step string, paper, at int, mm float64) error {
	f := entries.EntryFields{
		Kind:       string(notebook.Reading),
		Step:       step,
		Reading:    "height",
		Condition:  papers[paper].condition,
		Time:       fmt.Sprintf("%.0f min", minutes[at]),
		Trial:      1,
		Typed:      k.typed(mm),
		Instrument: k.tool,
	}
	towel, last := paper == 3, at == 3
	switch {
	case st.mistake == "cm-as-mm" && last:
		f.Typed = fmt.Sprintf("%.1f", mm/10) // read off the cm figures, unit left to the form
	case st.mistake == "swapped" && last && paper >= 2:
		f.Condition = papers[5-paper].condition
	case st.mistake == "unread" && towel && last:
		f.Typed = "up to the crease"
	case st.mistake == "forgot" && paper == 1 && at == 2:
		f = entries.EntryFields{
			Kind:      string(notebook.NotRead),
			Step:      step,
			Reading:   "height",
			Condition: "newspaper",
			Time:      "4 min",
			Trial:     1,
			Reason:    "forgot",
		}
	case st.mistake == "corrected" && towel && at == 1:
		wrong := f
		wrong.Typed = fmt.Sprintf("%.0f cm", mm)
		id, err := s.put(who, wrong)
		if err != nil {
			return err
		}
		f.Refers, f.Reason = id.String(), "wrote cm, it was mm"
	}
	id, err := s.put(who, f)
	if err == nil && st.mistake == "spoiled" && paper == 2 && at == 3 {
		_, err = s.put(
			who,
			entries.EntryFields{Kind: string(notebook.Spoiled), Step: step, Refers: id.String(), Reason: "knocked"},
		)
	}
	return err
}

func (s *seeder) photograph(who app.HomeActor, heights []float64) error {
	id := store.NewID()
	if err := s.app.PutPhoto(s.ctx, who, s.as, id, photo(s.rng, heights)); err != nil {
		return err
	}
	_, err := s.put(
		who,
		entries.EntryFields{Kind: string(notebook.Photo), Step: "read-8", Evidence: "photo-end", Refers: id.String()},
	)
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
