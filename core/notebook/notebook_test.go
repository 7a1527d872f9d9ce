package notebook_test

import (
	"fmt"
	"math"
	"slices"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/docs"
)

var start = time.Date(2027, 2, 2, 10, 40, 0, 0, time.UTC)

func strips(t testing.TB) *design.Document {
	t.Helper()
	raw, err := docs.Example("paper-strips")
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	return &d
}

func slot(condition, at string) design.Slot {
	return design.Slot{Reading: "height", Condition: condition, Time: at, Trial: 1}
}

var serial int

func entry(kind notebook.Kind, minutes float64, fill func(*notebook.Entry)) notebook.Entry {
	serial++
	at := start.Add(time.Duration(minutes * float64(time.Minute)))
	e := notebook.Entry{
		ID:         fmt.Sprintf("e%03d", serial),
		Kind:       kind,
		Provenance: notebook.Own,
		PhoneTime:  at,
		Received:   at.Add(time.Second),
	}
	fill(&e)
	return e
}

func reading(minutes float64, s design.Slot, typed string) notebook.Entry {
	return entry(notebook.Reading, minutes, func(e *notebook.Entry) { e.Slot, e.Typed, e.Step = s, typed, "read-8" })
}

var english = notebook.Writer{Language: "en", System: quantity.Metric}

func TestUnderstand(t *testing.T) {
	d := strips(t)
	r, _ := d.Reading("height")
	got := notebook.Understand(r, "", "3 1/4 in", english)
	if !got.Readable || math.Abs(got.InUnit.Value-82.55) > 1e-9 || got.InUnit.Unit.Symbol != "mm" {
		t.Errorf("3 1/4 in: %+v", got)
	}
	// u² = (1 mm/2/√12)² + 0.8² mm²: ruler read to half a division, strip uneven by 0.8 mm.
	if got := notebook.Understand(r, "", "82 mm", english); math.Abs(got.InUnit.U-math.Sqrt(1.0/48+0.64)) > 1e-9 {
		t.Errorf("u of 82 mm: %v", got.InUnit.U)
	}
	if got := notebook.Understand(r, "ruler-cm", "8,2 cm", notebook.Writer{Language: "es"}); math.Abs(
		got.InUnit.U-math.Sqrt(25.0/48+0.64),
	) > 1e-9 {
		t.Errorf("a coarser ruler: %v", got.InUnit.U)
	}
	for typed, code := range map[string]string{"82 cm": "look-again", "82 mm": "", "150 mm": ""} {
		got := notebook.Understand(r, "", typed, english)
		code2 := ""
		if len(got.Checks) > 0 {
			code2 = got.Checks[0].Code
		}
		if code2 != code {
			t.Errorf("%s: check %q, want %q", typed, code2, code)
		}
	}
	if got := notebook.Understand(r, "", "wet", english); got.Readable || got.Kind != quantity.Unread ||
		got.Message.ID == "" {
		t.Errorf("wet: %+v", got)
	}
	beans, _ := docs.Example("thirsty-beans")
	b, _ := design.Read(beans)
	mass, _ := b.Reading("before")
	if got := notebook.Understand(mass, "scale-1", "40.3 g", english); len(got.Checks) != 1 ||
		got.Checks[0].Code != "decimals" {
		t.Errorf("decimals a scale cannot show: %+v", got.Checks)
	}
}

// A corrected, a spoiled and a skipped reading all stay in the history, and
// the right one counts.
func TestNothingIsOverwritten(t *testing.T) {
	d := strips(t)
	first := reading(1, slot("towel", "1 min"), "8 cm")
	fixed := reading(1.5, slot("towel", "1 min"), "31 mm")
	fixed.Refers, fixed.Reason = first.ID, "read cm as mm"
	wet := reading(1, slot("filter", "1 min"), "20 mm")
	spoil := entry(notebook.Spoiled, 1.2, func(e *notebook.Entry) { e.Refers, e.Reason = wet.ID, "spilled" })
	none := entry(
		notebook.NotRead,
		1,
		func(e *notebook.Entry) { e.Slot, e.Reason = slot("printer", "1 min"), "forgot" },
	)
	b := notebook.Open(d, []notebook.Entry{spoil, fixed, none, wet, first}, english, nil)
	towel := b.Cell(slot("towel", "1 min"))
	if towel.State != notebook.HasValue || towel.Understood.InUnit.Value != 31 || len(towel.History) != 2 ||
		towel.History[0].Fate != "corrected" ||
		towel.History[0].Reason != "read cm as mm" {
		t.Errorf("corrected: %+v", towel)
	}
	if c := b.Cell(slot("filter", "1 min")); c.State != notebook.OnlySpoiled || c.Reason != "spilled" ||
		len(c.History) != 1 {
		t.Errorf("spoiled: %+v", c)
	}
	if c := b.Cell(slot("printer", "1 min")); c.State != notebook.HasReason || c.Reason != "forgot" {
		t.Errorf("not read: %+v", c)
	}
	if c := b.Cell(slot("newspaper", "8 min")); c.State != notebook.NotYet {
		t.Errorf("not yet: %+v", c)
	}
	again := reading(3, slot("filter", "1 min"), "22 mm")
	b = notebook.Open(d, []notebook.Entry{wet, spoil, again}, english, nil)
	if c := b.Cell(slot("filter", "1 min")); c.State != notebook.HasValue || c.Understood.InUnit.Value != 22 ||
		c.History[0].Fate != "spoiled" {
		t.Errorf("a new try: %+v", c)
	}
	if b.Cell(design.Slot{Reading: "mass"}) != nil {
		t.Error("a slot the design does not have")
	}
}

// height = 10 mm/√min · √t exactly: the slope is 10, and its u by hand is
// u/√Σ(√t−mean)² with u = √(1/48+0.64) mm.
func TestDerive(t *testing.T) {
	d := strips(t)
	var entries []notebook.Entry
	for i, at := range []string{"1 min", "2 min", "4 min", "8 min"} {
		entries = append(
			entries,
			reading(float64(i), slot("towel", at), fmt.Sprintf("%.6f mm", 10*math.Sqrt(math.Pow(2, float64(i))))),
		)
	}
	results := notebook.Derive(notebook.Open(d, entries, english, nil))
	if len(results) != 8 {
		t.Fatalf("%d results", len(results))
	}
	byKey := map[string]notebook.Result{}
	for _, r := range results {
		byKey[r.Derived+" "+r.Condition] = r
	}
	u := math.Sqrt(1.0/48 + 0.64)
	mean := (1 + math.Sqrt2 + 2 + 2*math.Sqrt2) / 4
	sxx := 0.0
	for _, x := range []float64{1, math.Sqrt2, 2, 2 * math.Sqrt2} {
		sxx += (x - mean) * (x - mean)
	}
	rate := byKey["rate towel"]
	if !rate.OK || math.Abs(rate.Value.Value-10) > 1e-5 || math.Abs(rate.Value.U-u/math.Sqrt(sxx)) > 1e-6 {
		t.Errorf("rate %+v, want 10 ± %v", rate, u/math.Sqrt(sxx))
	}
	if c := byKey["climb towel"]; !c.OK || math.Abs(c.Value.Value-28.284271) > 1e-5 || c.Working == "" {
		t.Errorf("climb %+v", c)
	}
	if c := byKey["climb filter"]; c.OK || c.Missing.ID != "notebook.derive.missing" {
		t.Errorf("no reading: %+v", c)
	}
	results = notebook.Derive(notebook.Open(d, entries[:3], english, nil))
	for _, r := range results {
		if r.Derived == "climb" && r.Condition == "towel" && (r.OK || r.Missing.ID != "notebook.derive.time") {
			t.Errorf("no reading at 8 min: %+v", r)
		}
	}
}

func TestClocks(t *testing.T) {
	d := strips(t)
	pour := entry(notebook.StepDone, 16, func(e *notebook.Entry) {
		e.Step = "pour"
		e.Offset = 2 * time.Hour
		e.PhoneTime = e.PhoneTime.Add(-2 * time.Hour)
	})
	again := entry(notebook.StepDone, 20, func(e *notebook.Entry) { e.Step = "pour" })
	b := notebook.Open(d, []notebook.Entry{again, pour}, english, nil)
	i, _ := d.Step("read-4")
	ready, ok := b.ReadyAt(i)
	if !ok || !ready.Equal(start.Add(20*time.Minute)) {
		t.Errorf("a clock two hours off, corrected: ready at %v %v", ready, ok)
	}
	if _, ok := b.ReadyAt(0); ok {
		t.Error("a step without a wait")
	}
	if done, all := b.Progress(); done != 1 || all != len(d.Steps) {
		t.Errorf("progress %d of %d", done, all)
	}
	jump := entry(notebook.StepDone, 0, func(e *notebook.Entry) { e.Offset = 5 * time.Minute })
	if !jump.ClockJump() || pour.ClockJump() || !jump.Measured().Equal(jump.Received) {
		t.Error("a start in the future is a clock jump and counts as received")
	}
}

func TestFits(t *testing.T) {
	d := strips(t)
	good := reading(1, slot("towel", "1 min"), "8")
	if p := notebook.Fits(d, &good); p != nil {
		t.Errorf("%+v", p)
	}
	for field, e := range map[string]notebook.Entry{
		"kind":     {Kind: "poem"},
		"step":     {Kind: notebook.StepDone},
		"slot":     {Kind: notebook.Reading, Slot: slot("towel", "3 min")},
		"question": {Kind: notebook.Answer, Question: "what"},
		"evidence": {Kind: notebook.Photo, Evidence: "film"},
		"reason":   {Kind: notebook.Spoiled, Refers: "x"},
	} {
		if p := notebook.Fits(d, &e); p == nil || p.Field != field || p.Rule.ID == "" || p.Example == "" {
			t.Errorf("%s: %+v", field, p)
		}
	}
	for _, e := range []notebook.Entry{{Kind: notebook.NotRead, Slot: slot("towel", "1 min")},
		{Kind: notebook.Observation, Step: "dance"}} {
		if notebook.Fits(d, &e) == nil {
			t.Errorf("%+v was taken", e)
		}
	}
}

// What only those give who go deeper is never waited for, and counts where it was given.
func TestDeeper(t *testing.T) {
	d, err := design.Read([]byte(`{"schema": 3, "title": {"en": "Foam"}, "question": {"en": "How high?"},
		"age_band": "11-13", "way": "follow-along", "languages": ["en"], "trials": 1,
		"readings": [{"id": "high", "kind": "quantity", "symbol": "high", "unit": "mm", "name": {"en": "high"}},
			{"id": "soft", "kind": "yes-partly-no", "symbol": "soft", "name": {"en": "soft"}, "deeper": true}],
		"steps": [{"id": "s", "kind": "measure", "title": {"en": "Look"}, "takes": [{"reading": "high"}, {"reading": "soft"}]}]}`))
	if err != nil {
		t.Fatal(err)
	}
	states := func(entries ...notebook.Entry) (out []notebook.State) {
		for _, c := range notebook.Open(&d, entries, notebook.Writer{Language: "en"}, nil).Cells {
			out = append(out, c.State)
		}
		return out
	}
	if got := states(); !slices.Equal(got, []notebook.State{notebook.NotYet, notebook.Deeper}) {
		t.Errorf("before anything was given: %v", got)
	}
	given := notebook.Entry{ID: "e", Kind: notebook.Reading, Provenance: notebook.Own, Slot: design.Slot{Reading: "soft", Trial: 1},
		Given: &notebook.Given{Answer: "yes"}}
	if got := states(given); !slices.Equal(got, []notebook.State{notebook.NotYet, notebook.HasValue}) {
		t.Errorf("given: %v", got)
	}
}
