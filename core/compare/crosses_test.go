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

// Directions on both sides of straight down have their mean there, over the tries of a home
// and over homes: needles 10 degrees to the left and to the right of down come to 180 or
// -180, and the scatter is small. Worked by hand.
func TestDirectionsMeetAtDown(t *testing.T) {
	d, err := design.Read([]byte(`{"schema": 3, "title": {"en": "Needle"}, "question": {"en": "Where to?"},
		"age_band": "11-13", "way": "follow-along", "languages": ["en"], "trials": 2,
		"readings": [{"id": "tip", "kind": "position", "symbol": "tip", "name": {"en": "tip"}, "unit": "deg",
			"place": {"picture": "dish", "from": {"x": 0.5, "y": 0.5}, "as": "direction"}}],
		"steps": [{"id": "s", "kind": "measure", "title": {"en": "Look"}, "takes": [{"reading": "tip"}]}]}`))
	if err != nil {
		t.Fatal(err)
	}
	var homes []Home
	for h, tries := range [][2]float64{{170, -170}, {-175, -165}, {175, 165}, {-178, 178}, {171, -171}} {
		var entries []notebook.Entry
		for trial, degrees := range tries {
			sine, cosine := math.Sincos(degrees * math.Pi / 180)
			x, y := .5+.3*sine, .5-.3*cosine
			entries = append(entries, notebook.Entry{
				ID: string(rune('a'+h)) + string(rune('0'+trial)), Kind: notebook.Reading, Provenance: notebook.Own,
				Slot:  design.Slot{Reading: "tip", Trial: trial + 1},
				Given: &notebook.Given{X: &x, Y: &y}, Received: time.Unix(int64(trial), 0),
			})
		}
		homes = append(homes, Home{
			Key:  string(rune('a' + h)),
			Book: notebook.Open(&d, entries, notebook.Writer{Language: "en"}, nil),
		})
	}
	s := Class(&d, homes)[0].Groups[0].Summary
	if s.N != 5 || math.Abs(math.Abs(s.Mean)-180) > 1 || s.SD > 8 || s.High-s.Low > 21 {
		t.Errorf("the class points to %v, scattered by %v from %v to %v", s.Mean, s.SD, s.Low, s.High)
	}
}
