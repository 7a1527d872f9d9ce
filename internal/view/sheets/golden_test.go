package sheets_test

import (
	"testing"

	"patient-kitchen/core/design"
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
