package sheets_test

import (
	"slices"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
	"patient-kitchen/internal/view/golden"
	"patient-kitchen/internal/view/sheets"
)

func example(t *testing.T, name string) *design.Document {
	t.Helper()
	raw, err := docs.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	return &d
}

// The sheet on the phone, with a class's own measures, and one that is watched.
func TestPhone(t *testing.T) {
	lemon := example(t, "sour-lemon")
	golden.Same(t, "lemon.phone.en", sheets.Write(lemon, nil, "en"))
	golden.Same(t, "lemon.phone.es", sheets.Write(lemon, nil, "es"))
	wraps := example(t, "warm-wraps")
	golden.Same(t, "wraps.phone.us", sheets.MeasuresOf("us", "en").Sheet(sheets.Write(wraps, nil, "en")))
	wraps.Way = design.WatchShared
	golden.Same(t, "wraps.watched.es", sheets.Watched(wraps, nil, "es"))
}

// The sheets on paper.
func TestPaper(t *testing.T) {
	for _, kind := range []string{"safety", "materials", "swaps"} {
		p, err := sheets.Print(example(t, "sour-lemon"), nil, kind, "en")
		if err != nil {
			t.Fatal(err)
		}
		golden.Same(t, "lemon."+kind+".en", p)
	}
	wraps := example(t, "warm-wraps")
	wraps.Way = design.WatchShared
	for _, kind := range []string{"watch", "demonstration"} {
		p, err := sheets.Print(wraps, nil, kind, "es")
		if err != nil {
			t.Fatal(err)
		}
		golden.Same(t, "wraps."+kind+".es", p)
	}
	if _, err := sheets.Print(wraps, nil, "poster", "en"); err == nil {
		t.Error("a poster was printed")
	}
}

// On the sheet to write on, what all readings of a step share stands once above
// them; what tells them apart stands at each.
func TestBlanks(t *testing.T) {
	p, err := sheets.Print(example(t, "paper-strips"), nil, "notebook", "es")
	if err != nil {
		t.Fatal(err)
	}
	var step sheets.PrintedBlanks
	for _, b := range p.Blanks {
		if b.Number == 6 {
			step = b
		}
	}
	if step.Common != "altura del borde mojado sobre la línea de lápiz · 2 min" || len(step.Rows) != 4 ||
		step.Rows[3].Label != "Papel de cocina" {
		t.Errorf("%+v", step)
	}
	if first := p.Blanks[0]; first.Title != "" || len(first.Questions) == 0 || first.Questions[0].When != "before" {
		t.Errorf("%+v", first)
	}
}

// What a way of working asks is on a home's sheet: an amount that is worked out first with its
// hints, what an open challenge keeps to, what those who watch look for; in another way of
// working no amount is hidden.
func TestTasks(t *testing.T) {
	d := example(t, "clearer-water")
	words := func(s string) text.Localized { return text.Localized{"en": s, "es": s} }
	d.Task = design.Task{
		Calculate: []design.Calculation{{Need: "water", Hints: []text.Localized{words("How many cups?"), words("400")}}},
		KeepTo:    []text.Localized{words("No more than three cups.")},
		Watching:  words("How fast it drips."),
	}
	water := func(s sheets.Sheet) sheets.NeedRow {
		i := slices.IndexFunc(s.Needs, func(n sheets.NeedRow) bool { return n.ID == "water" })
		return s.Needs[i]
	}
	d.Way = design.CalculateFirst
	s := sheets.Write(d, nil, "en")
	if w := water(s); !w.Hidden || len(w.Hints) != 2 || w.Amount == "" {
		t.Errorf("%+v", w)
	}
	if len(s.KeepTo) != 1 || s.Watching == "" || sheets.Watched(d, nil, "en").Watching != s.Watching {
		t.Errorf("%v %q", s.KeepTo, s.Watching)
	}
	d.Way = design.FollowAlong
	if w := water(sheets.Write(d, nil, "en")); w.Hidden || len(w.Hints) != 0 {
		t.Errorf("%+v", w)
	}
}
