package compare

import (
	"math"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
)

// The middle of a class's places is that of most homes, whatever one of them marked; the ring
// holds half of them. Worked by hand: across 0.4 0.5 0.5 0.6 0.9, down 0.5 of a square picture.
func TestCrosses(t *testing.T) {
	d, err := design.Read([]byte(`{"schema": 3, "title": {"en": "Shadow"}, "question": {"en": "Where?"},
		"age_band": "11-13", "way": "follow-along", "languages": ["en"], "trials": 2,
		"conditions": [{"id": "one", "name": {"en": "One"}}, {"id": "two", "name": {"en": "Two"}}],
		"readings": [{"id": "tip", "kind": "position", "symbol": "tip", "name": {"en": "tip"}, "per": ["condition"],
			"place": {"picture": "dish", "from": {"x": 0.5, "y": 0.5}}}],
		"steps": [{"id": "s", "kind": "measure", "title": {"en": "Look"}, "takes": [{"reading": "tip"}]}]}`))
	if err != nil {
		t.Fatal(err)
	}
	var homes []Home
	for h, x := range []float64{.4, .5, .5, .6, .9} {
		var entries []notebook.Entry
		for trial, off := range []float64{-.02, .02} { // two tries around the place
			at, y := x+off, .5
			entries = append(entries, notebook.Entry{
				ID: string(rune('a'+h)) + string(rune('0'+trial)), Kind: notebook.Reading, Provenance: notebook.Own,
				Slot:  design.Slot{Reading: "tip", Condition: "one", Trial: trial + 1},
				Given: &notebook.Given{X: &at, Y: &y}, Received: time.Unix(int64(trial), 0),
			})
		}
		homes = append(homes, Home{
			Key:  string(rune('a' + h)),
			Book: notebook.Open(&d, entries, notebook.Writer{Language: "en"}, nil),
		})
	}
	all := Class(&d, homes)
	if len(all) != 1 || len(all[0].Crosses) != 1 || len(all[0].Crosses[0].Lanes) != 1 {
		t.Fatalf("%+v", all)
	}
	l := all[0].Crosses[0].Lanes[0]
	if l.Condition != "one" || len(l.Spots) != 5 || math.Abs(l.Middle.X-.5) > 1e-9 || math.Abs(l.Middle.Y-.5) > 1e-9 ||
		math.Abs(l.Ring-.1) > 1e-9 {
		t.Errorf("%+v", l)
	}
}
