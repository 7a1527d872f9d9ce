package app

import (
	"errors"
	"regexp"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/safety"
	"patient-kitchen/docs"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/sheets"
)

// The materials list stands in the order of the steps, with whole amounts and
// the people; the substitution list says what goes with a swap and what it
// means for the home's result.
func TestPrinted(t *testing.T) {
	lemon := example(t, "sour-lemon")
	p, err := sheets.Print(&lemon, nil, "materials", "es")
	if err != nil || p.Missing != 0 {
		t.Fatal(err, p.Missing)
	}
	names := []string{}
	for _, i := range p.Items {
		names = append(names, i.Name)
	}
	if !slices.Contains(names, "un limón") || !slices.Contains(names, "una persona adulta") ||
		!slices.Contains(names, "lentes protectores o gafas (sirven los de natación)") ||
		names[len(names)-1] != "Una mesa de cocina" {
		t.Errorf("%q", names)
	}
	p, err = sheets.Print(&lemon, nil, "swaps", "en")
	if err != nil {
		t.Fatal(err)
	}
	soda := slices.IndexFunc(p.Swaps, func(s sheets.PrintedSwaps) bool { return s.Name == "baking soda" })
	if soda < 0 || p.Swaps[soda].Amount != "20 g" {
		t.Fatalf("%+v", p.Swaps)
	}
	crystals := slices.IndexFunc(
		p.Swaps[soda].Swaps,
		func(s sheets.PrintedSwap) bool { return strings.HasPrefix(s.Name, "washing soda") },
	)
	if crystals < 0 {
		t.Fatalf("%+v", p.Swaps[soda])
	}
	// 3.41 times the mass and twice the acid; at 8–10 an adult does it. Nobody
	// has compared it for how much neutralises a juice: its own group.
	if s := p.Swaps[soda].Swaps[crystals]; !strings.Contains(s.Acid, "twice") || s.Adult != "An adult does this" ||
		!strings.HasPrefix(s.Amount, "68") ||
		s.Counts != "Your result is compared with that of homes that use the same." {
		t.Errorf("%+v", s)
	}
	for _, s := range p.Swaps[soda].Swaps {
		if strings.Contains(s.Name, "laundry") || strings.Contains(s.Name, "denture") {
			t.Errorf("a refused thing is offered: %+v", s)
		}
	}
	p, err = sheets.Print(&lemon, nil, "safety", "es")
	if err != nil || len(p.Safety.Sections) < 9 || len(p.Safety.AdultJobs) != 1 ||
		!strings.HasPrefix(p.Safety.AdultJobs[0].Title, "Cortar") {
		t.Errorf("%v %+v", err, p.Safety.AdultJobs)
	}
	for _, bad := range [][2]string{{"poem", "en"}, {"safety", "fr"}, {"", ""}} {
		if _, err := sheets.Print(&lemon, nil, bad[0], bad[1]); !errors.Is(err, refusal.ErrNotFound) {
			t.Errorf("%v: %v", bad, err)
		}
	}
}

// A step that needs an adult stays closed in a language its text lacks; one
// that needs only care is shown in the original, marked.
func TestForeignStepsStayClosed(t *testing.T) {
	now := time.Date(2027, 2, 3, 18, 0, 0, 0, time.UTC)
	as := store.Assignment{OpensAt: now.Add(-time.Hour), DueAt: now.Add(time.Hour)}
	lemon := example(t, "sour-lemon")
	delete(lemon.Steps[0].Text, "es") // an adult cuts
	delete(lemon.Steps[2].Text, "es") // pouring
	s := assigned(sheets.Write(&lemon, nil, "es"), as, now)
	if !s.Steps[0].Foreign || s.Steps[2].Foreign || s.Untranslated != 2 {
		t.Errorf("%v %v %d", s.Steps[0].Foreign, s.Steps[2].Foreign, s.Untranslated)
	}
	if s := assigned(sheets.Write(&lemon, nil, "en"), as, now); s.Steps[0].Foreign {
		t.Error("it is closed in its own language")
	}
}

// What a family's sheet says follows from the design: gear, the lines that are
// added, the cards of its own materials first, and substitutes.
func TestSheetsSayWhatTheRulesAdd(t *testing.T) {
	now := time.Date(2027, 2, 3, 18, 0, 0, 0, time.UTC)
	as := store.Assignment{OpensAt: now.Add(-time.Hour), DueAt: now.Add(time.Hour)}
	lemon := example(t, "sour-lemon")
	s := assigned(sheets.Write(&lemon, nil, "en"), as, now)
	if !slices.Contains(s.Gear, "goggles (swim goggles will do)") || len(s.Steps[0].Before) < 2 ||
		s.Cards[0] != "eye" ||
		slices.Contains(s.Cards, "sting") {
		t.Errorf("%v %v %v", s.Gear, s.Steps[0].Before, s.Cards)
	}
	soda := slices.IndexFunc(s.Needs, func(n sheets.NeedRow) bool { return n.ID == "soda" })
	if soda < 0 || len(s.Needs[soda].Swaps) == 0 || !slices.Equal(s.Needs[soda].Steps, []int{4}) {
		t.Errorf("%+v", s.Needs)
	}
	if job := s.AdultJobs[0]; job.Number != 1 || job.Minutes != 3 || job.Verdict != "adult-does" || job.Do == "" {
		t.Errorf("%+v", job)
	}
	lemon.AgeBand = "14-18"
	if s := assigned(sheets.Write(&lemon, nil, "en"), as, now); len(s.AdultJobs) != 0 ||
		!strings.Contains(s.Near, "hears a call") {
		t.Errorf("%+v %s", s.AdultJobs, s.Near)
	}
	lemon.AgeBand, lemon.Lowered = "11-13", []design.Lowering{
		{Rule: "blade", Step: "cut", Reason: "They cut fruit with me in November.", By: "Ms Tarrant"},
	}
	if s := assigned(sheets.Write(&lemon, nil, "en"), as, now); len(s.Lowered) != 1 ||
		!strings.Contains(s.Lowered[0], "Ms Tarrant") ||
		len(s.AdultJobs) != 0 {
		t.Errorf("%+v %+v", s.Lowered, s.AdultJobs)
	}
}

// A way out that is carried out on a document gives it back whole, judged
// anew; one that does not fit says so.
func TestMend(t *testing.T) {
	raw, _ := drafts.Example("sour-lemon")
	m, err := drafts.Mend(raw, safety.Change{Kind: safety.Watch}, "en")
	if err != nil || !strings.Contains(string(m.Document), `"watch-shared"`) || !m.Review.Issuable {
		t.Errorf("%v %.200s", err, m.Document)
	}
	if _, err := drafts.Mend(raw, safety.Change{Kind: safety.Open, Step: "cut"}, "en"); err == nil {
		t.Error("a vessel that is not closed was opened")
	}
	if _, err := drafts.Mend([]byte("{"), safety.Change{Kind: safety.Watch}, "en"); err == nil {
		t.Error("no document was mended")
	}
	rows, err := sheets.SwapsFor(raw, "soda", "es")
	if err != nil || len(rows) == 0 || rows[0].Name == "" || rows[0].Change.Kind != safety.Swap {
		t.Errorf("%v %+v", err, rows)
	}
	m, err = drafts.Mend(raw, rows[0].Change, "es")
	if err != nil || !strings.Contains(string(m.Document), rows[0].Change.Material) {
		t.Errorf("%v %.300s", err, m.Document)
	}
}

// What may be used instead is one list: on paper what the phone shows, the
// teacher's own words too, in amounts that can be measured out.
func TestSubstitutesAreOneList(t *testing.T) {
	hollow := regexp.MustCompile(`\d[.,]0+( |$)`)
	for _, name := range docs.Ready {
		d := example(t, name)
		for _, language := range []string{"en", "es"} {
			p, err := sheets.Print(&d, nil, "swaps", language)
			if err != nil {
				t.Fatal(err)
			}
			at := 0
			for _, n := range sheets.Write(&d, nil, language).Needs {
				if len(n.Instead)+len(n.Swaps) == 0 {
					continue
				}
				if at >= len(p.Swaps) || p.Swaps[at].Name != n.Name || p.Swaps[at].Amount != n.Amount ||
					!slices.Equal(p.Swaps[at].Instead, n.Instead) ||
					len(p.Swaps[at].Swaps) != len(n.Swaps) {
					t.Fatalf("%s, %s: the phone has %q at place %d, paper has not", name, language, n.Name, at)
				}
				for _, s := range n.Swaps {
					if hollow.MatchString(s.Amount) {
						t.Errorf("%s, %s: %s of %s", name, language, s.Amount, s.Name)
					}
				}
				at++
			}
			if at != len(p.Swaps) {
				t.Errorf("%s, %s: paper has %d more", name, language, len(p.Swaps)-at)
			}
		}
	}
}
