package results_test

import (
	"fmt"
	"testing"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/docs"
	"patient-kitchen/internal/view/golden"
	"patient-kitchen/internal/view/results"
)

// book is a made-up home's: every place of the design is filled with what its
// condition and place in the list give; odd homes leave out the last one.
func book(t *testing.T, d *design.Document, home int) *notebook.Book {
	t.Helper()
	at := time.Date(2027, 2, 4, 10, 40, home, 0, time.UTC)
	var entries []notebook.Entry
	slots := d.Slots()
	for i, s := range slots {
		if home%2 == 1 && i == len(slots)-1 {
			break
		}
		r, _ := d.Reading(s.Reading)
		value := 10 + 7*float64(len(s.Condition)%5) + float64(i%4)*3 + float64(home)/2
		entries = append(entries, notebook.Entry{
			ID: fmt.Sprintf("%d-%d", home, i), Kind: notebook.Reading, Slot: s, Provenance: notebook.Own,
			Typed: fmt.Sprintf("%.1f %s", value, r.Unit), PhoneTime: at, Received: at,
		})
	}
	return notebook.Open(d, entries, notebook.Writer{Language: "en", System: quantity.Metric}, nil)
}

// A home's row and what six homes found, for the desk and for a file.
func TestClass(t *testing.T) {
	raw, err := docs.Example("paper-strips")
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	var homes []compare.Home
	for h := range 6 {
		homes = append(homes, compare.Home{Key: fmt.Sprint("home ", h), Book: book(t, &d, h)})
	}
	first := homes[1].Book
	home := results.Home{ID: uuid.MustParse("018f0000-0000-7000-8000-000000000001"), Nickname: "Fern", Letters: "Fe",
		Opened: true}
	golden.Same(t, "home.en", results.ViewHome(home, "granted", first, "en"))
	golden.Same(t, "rows", results.ExportBook("Fern", first))
	for _, language := range []string{"en", "es"} {
		var said []results.ComparisonView
		for _, c := range compare.Class(&d, homes) {
			said = append(said, results.ViewComparison(&d, c, func(key string) string { return key }, language))
		}
		golden.Same(t, "class."+language, said)
	}
}
