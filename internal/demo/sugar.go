package demo

import (
	"encoding/json"
	"math"
	"time"

	"patient-kitchen/core/notebook"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/entries"
)

// The younger class judges how much sugar is left: no number, and it is under way.
const sugar = "vanishing-sugar"

var (
	sugarLevels = []string{"all", "much", "little", "nothing"}
	// the level's place after 2 minutes, usual home
	sugarLeft  = map[string]float64{"cold": 0.8, "hand": 1.7, "warm": 2.6}
	sugarSteps = []string{"label", "pour", "add", "look", "again", "look-2", "clear"}
)

// sugarClass hands the sugar to class 5B: one home would rather watch, three have
// not begun, two are half way.
func (s *seeder) sugarClass(lesson time.Time) error {
	raw, err := drafts.Example(sugar)
	if err != nil {
		return err
	}
	s.moment = lesson.Add(-21 * time.Hour)
	d, err := s.app.AddExperiment(s.ctx, s.teacher, raw, "en")
	if err != nil {
		return err
	}
	v, err := s.app.Issue(s.ctx, s.teacher, s.younger, app.IssueFields{
		Experiment: d.ID,
		OpensAt:    lesson.Add(-90 * time.Minute),
		DueAt:      lesson.AddDate(0, 0, 3),
	}, "en")
	if err != nil {
		return err
	}
	homes, err := s.app.Homes(s.ctx, s.teacher, s.younger)
	if err != nil {
		return err
	}
	list, err := s.app.Invitations(s.ctx, s.teacher, s.younger)
	if err != nil {
		return err
	}
	codes := map[string]string{}
	for _, i := range list {
		codes[i.Home.String()] = i.Code
	}
	s.as = v.ID
	for i, h := range homes {
		if i%6 == 5 {
			continue // not opened yet
		}
		s.moment = lesson.Add(-time.Hour + time.Duration(i*61)*time.Second)
		if _, err := s.app.Open(s.ctx, "", codes[h.ID.String()], "home of "+h.Nickname); err != nil {
			return err
		}
		if err := s.sugarHome(app.HomeActor{Class: s.younger, Home: h.ID}, i, h.Nickname); err != nil {
			return err
		}
	}
	return nil
}

func (s *seeder) sugarHome(who app.HomeActor, i int, name string) error {
	if i == 3 {
		_, err := s.app.Permit(s.ctx, who, s.as, app.PermissionFields{Decision: "declined"})
		return err
	}
	b, err := s.app.Bundle(s.ctx, who)
	if err != nil {
		return err
	}
	permission := app.PermissionFields{
		Decision: "granted",
		Guardian: "An adult of " + name,
		TextSha:  b.Sheets[0].Permission.TextSha,
	}
	if _, err := s.app.Permit(s.ctx, who, s.as, permission); err != nil {
		return err
	}
	if err := s.sayOfItself(who, b.Sheets[0].Facts); err != nil {
		return err
	}
	guess := [][]string{{"cold", "hand", "warm"}, {"cold", "warm", "hand"}, {"hand", "cold", "warm"}}[i%3]
	for _, f := range []entries.EntryFields{
		{Kind: string(notebook.Answer), Question: "guess", Choice: guess},
		{Kind: string(notebook.Answer), Question: "because",
			Text: []string{"Tea melts it too.", "Warm things are faster.", "I just think so."}[i%3]},
	} {
		if _, err := s.put(who, f); err != nil {
			return err
		}
	}
	own := 0.35 * s.rng.NormFloat64() // how strictly this home judges
	steps := len(sugarSteps)
	if i == 7 || i == 13 {
		steps = 4
	}
	for _, step := range sugarSteps[:steps] {
		s.moment = s.moment.Add(time.Duration(70+s.rng.IntN(90)) * time.Second)
		trial := map[string]int{"look": 1, "look-2": 2}[step]
		for _, c := range []string{"cold", "hand", "warm"} {
			if trial == 0 {
				break
			}
			place := int(math.Round(sugarLeft[c] + own + 0.45*s.rng.NormFloat64()))
			f := entries.EntryFields{
				Kind: string(notebook.Reading), Step: step, Reading: "left", Condition: c, Trial: trial,
				Value: &notebook.Given{Level: sugarLevels[max(0, min(3, place))]},
			}
			if i == 10 && trial == 2 && c == "hand" {
				f.Kind, f.Value, f.Reason = string(notebook.NotRead), nil, "cannot-read"
			}
			if _, err := s.put(who, f); err != nil {
				return err
			}
		}
		if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.StepDone), Step: step}); err != nil {
			return err
		}
	}
	if steps < len(sugarSteps) {
		return nil
	}
	if _, err := s.put(who, entries.EntryFields{Kind: string(notebook.Answer), Question: "where",
		Text: []string{"Into the water, you taste it.", "It is so small now that nobody sees it."}[i%2]}); err != nil {
		return err
	}
	_, err = s.put(who, entries.EntryFields{Kind: string(notebook.Sent)})
	return err
}

// sharedSugar is what Ms Tarrant saw at her own table, for homes that watch.
func (s *seeder) sharedSugar(lesson time.Time) error {
	for c, level := range map[string]string{"cold": "much", "hand": "little", "warm": "nothing"} {
		raw, err := json.Marshal(entries.EntryFields{
			Kind: string(notebook.Reading), Reading: "left", Condition: c, Trial: 1,
			Value: &notebook.Given{Level: level}, PhoneTime: lesson,
		})
		if err != nil {
			return err
		}
		if _, err := s.app.PutSharedEntry(s.ctx, s.teacher, s.younger, s.as, store.NewID(), raw); err != nil {
			return err
		}
	}
	return nil
}
