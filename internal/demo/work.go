package demo

import (
	"encoding/json"
	"fmt"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/notebook"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/sheets"
)

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
	if _, err := s.app.Permit(s.ctx, who, s.as, app.PermissionFields{Decision: "granted", Guardian: "An adult of " +
		h.Nickname, Photos: true, Gallery: i%3 != 0, TextSha: sha}); err != nil {
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
		if err := s.app.PutIncident(s.ctx, who, store.NewID(), app.IncidentFields{Assignment: &s.as, Door: "spilled",
			Card: "spill", Outcome: "fine", Note: "Water on the table, wiped up.", PhoneTime: s.moment}); err != nil {
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
		fact := entries.EntryFields{Kind: string(notebook.Fact), Refers: f.ID, Choice: []string{calm}}
		if _, err := s.put(who, fact); err != nil {
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
	answer := entries.EntryFields{Kind: string(notebook.Answer), Question: "order", Choice: orders[i%3]}
	if _, err := s.put(who, answer); err != nil {
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
	if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.Answer), Question: "claim",
		Text: said[s.rng.IntN(len(said))]}); err != nil {
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
