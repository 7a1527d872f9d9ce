package notebook_test

import (
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

func read(t *testing.T, name string) *design.Document {
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

// What people type, in their own language and measures, by the tool they
// have: the value in the reading's unit, what it turned out to be, its words.
func TestTypedInTheHomesOwnWay(t *testing.T) {
	d := strips(t)
	r, _ := d.Reading("height")
	spanish := notebook.Writer{Language: "es", System: quantity.Metric}
	for _, c := range []struct {
		typed  string
		w      notebook.Writer
		kind   quantity.Kind
		mm     float64
		says   string // part of the message
		checks int
	}{
		{"8,2 cm", spanish, quantity.Value, 82, "", 0},
		{"82", english, quantity.Value, 82, "", 0},
		{"about 80 mm", english, quantity.Value, 80, "", 0},
		{"80-84 mm", english, quantity.Value, 82, "", 0},
		{"3 1/4\"", english, quantity.Value, 82.55, "", 0},
		{"5 pulgadas", spanish, quantity.Value, 127, "", 0},
		{"1.500 mm", spanish, quantity.Question, 0, "¿«1.500 mm» lleva decimales", 0},
		{"84-80 mm", english, quantity.Question, 0, "not the smaller one", 0},
		{"8 g", english, quantity.Question, 0, "another kind of unit", 0},
		{"hasta arriba", spanish, quantity.Question, 0, "todavía no es un número", 0},
		{"mojado", spanish, quantity.Unread, 0, "no es un número", 0},
		{"", english, quantity.Missing, 0, "", 0},
		{"no sé", spanish, quantity.Missing, 0, "", 0},
		{"<5 mm", english, quantity.Bound, 5, "", 0},
		{"0", english, quantity.Value, 0, "", 0},
		{"16 cm", english, quantity.Value, 160, "", 1},
		{"-2", english, quantity.Question, 0, "below zero", 0},
	} {
		got := notebook.Understand(r, "", c.typed, c.w)
		if got.Kind != c.kind || math.Abs(got.InUnit.Value-c.mm) > 1e-9 || len(got.Checks) != c.checks ||
			got.Readable != (c.kind == quantity.Value) {
			t.Errorf(
				"%q: %s %v mm, %d checks; want %s %v, %d",
				c.typed,
				got.Kind,
				got.InUnit.Value,
				len(got.Checks),
				c.kind,
				c.mm,
				c.checks,
			)
		}
		words := ""
		if got.Message.ID != "" {
			words = text.Render(got.Message, c.w.Language)
		}
		if !strings.Contains(words, c.says) || strings.ContainsAny(words, "[{") {
			t.Errorf("%q: %q, want %q in it", c.typed, words, c.says)
		}
	}
	// A range brings its own uncertainty: half-width/√3 beside the ruler's.
	// An about brings 5 to 10 % of the value: 80 is ±5.
	if u, want := notebook.Understand(r, "", "about 80 mm", english).InUnit.U, math.Sqrt(1.0/48+0.64+25.0/3); math.Abs(
		u-want,
	) > 1e-9 {
		t.Errorf("u of an about is %v, want %v", u, want)
	}
	u := notebook.Understand(r, "", "80-84 mm", english).InUnit.U
	if want := math.Sqrt(1.0/48 + 0.64 + 4.0/3); math.Abs(u-want) > 1e-9 {
		t.Errorf("u of a range is %v, want %v", u, want)
	}
	// Checks repeat what was typed and never say what was expected.
	for _, k := range notebook.Understand(r, "", "82 cm", english).Checks {
		if s := text.Render(k.Message, "en"); !strings.Contains(s, "You wrote 82 cm.") || strings.Contains(s, "150") ||
			strings.Contains(s, "mm") {
			t.Errorf("a check leads: %q", s)
		}
	}
	r.Unit = "blobs"
	if got := notebook.Understand(r, "", "5", english); got.Readable || got.Kind != quantity.Unread {
		t.Errorf("a reading without a unit: %+v", got)
	}
}

// Everything else a notebook holds: ticks that can be taken off, the adult's
// word, pictures, notes, the last time anything was heard.
func TestTheRestOfTheBook(t *testing.T) {
	d := strips(t)
	pencil := entry(notebook.Tick, 1, func(e *notebook.Entry) { e.Refers = "pencil" })
	water := entry(notebook.Tick, 1, func(e *notebook.Entry) { e.Refers = "water" })
	off := entry(notebook.Tick, 2, func(e *notebook.Entry) { e.Refers, e.Reason = "water", "no" })
	adult := entry(notebook.Adult, 3, func(e *notebook.Entry) { e.Step = "cut" })
	saw := entry(notebook.Observation, 4, func(e *notebook.Entry) { e.Text = "it slows down" })
	photo := entry(notebook.Photo, 5, func(e *notebook.Entry) { e.Evidence, e.Refers = "photo-end", "p" })
	sent := entry(notebook.Sent, 6, func(*notebook.Entry) {})
	b := notebook.Open(d, []notebook.Entry{sent, photo, saw, adult, off, water, pencil}, english, nil)
	if !b.Ticked["pencil"] || b.Ticked["water"] || b.Adults["cut"].IsZero() || len(b.Notes) != 1 ||
		len(b.Media) != 1 ||
		b.SentAt == nil ||
		!b.LastSeen.Equal(sent.Received) {
		t.Errorf("%+v", b)
	}
	empty := notebook.Open(d, nil, english, nil)
	if done, all := empty.Progress(); done != 0 || all != 9 || !empty.LastSeen.IsZero() || empty.SentAt != nil {
		t.Errorf("an empty notebook: %d of %d", done, all)
	}
	for _, c := range empty.Cells {
		if c.State != notebook.NotYet {
			t.Errorf("%+v", c)
		}
	}
}

// What is entered at a step that needs an adult counts once an adult had said
// to be there by then, or the teacher says why; whatever step an entry claims.
func TestTheAdultsWord(t *testing.T) {
	d := strips(t)
	s := slot("towel", "8 min")
	at := func(step string, minutes float64, typed string) notebook.Entry {
		e := reading(minutes, s, typed)
		e.Step = step
		return e
	}
	word := func(minutes float64, step string) notebook.Entry {
		return entry(notebook.Adult, minutes, func(e *notebook.Entry) { e.Step = step })
	}
	vouched := entry(
		notebook.Vouched,
		90,
		func(e *notebook.Entry) { e.Step, e.Reason = "read-8", "Grandma was there, she told me." },
	)
	done := entry(notebook.StepDone, 9, func(e *notebook.Entry) { e.Step = "read-8" })
	for _, c := range []struct {
		name    string
		entries []notebook.Entry
		want    notebook.State
		held    int
	}{
		{"said before", []notebook.Entry{word(1, "read-8"), at("read-8", 2, "50 mm")}, notebook.HasValue, 0},
		{"never said", []notebook.Entry{at("read-8", 2, "50 mm")}, notebook.AdultNotSaid, 1},
		{"said afterwards", []notebook.Entry{word(3, "read-8"), at("read-8", 2, "50 mm")}, notebook.AdultNotSaid, 1},
		{"said at another step", []notebook.Entry{word(1, "cut"), at("read-8", 2, "50 mm")}, notebook.AdultNotSaid, 1},
		{"no step named", []notebook.Entry{at("", 2, "50 mm")}, notebook.AdultNotSaid, 1},
		{"another step named", []notebook.Entry{at("cut", 2, "50 mm")}, notebook.AdultNotSaid, 1},
		{"a second reading, alone", []notebook.Entry{word(3, "read-8"), at("read-8", 2, "50 mm"),
			at("read-8", 4, "51 mm")}, notebook.HasValue, 1},
		{"the teacher says why", []notebook.Entry{at("read-8", 2, "50 mm"), vouched}, notebook.HasValue, 0},
		{"finished alone", []notebook.Entry{done}, notebook.NotYet, 1},
		{"unreadable and alone", []notebook.Entry{at("read-8", 2, "high")}, notebook.AdultNotSaid, 1},
	} {
		b := notebook.Open(d, c.entries, english, notebook.Guards{"read-8": notebook.AdultNotSaid})
		if got := b.Cell(s); got.State != c.want || len(b.Held) != c.held {
			t.Errorf("%s: %s, held %v", c.name, got.State, b.Held)
		}
		if b := notebook.Open(d, c.entries, english, nil); len(b.Held) != 0 {
			t.Errorf("%s: no adult is needed, and %v", c.name, b.Held)
		}
	}
	// An adult's word opens what an adult guards, and nothing else.
	for _, guard := range []notebook.State{notebook.FactNotSaid, notebook.NotHere} {
		b := notebook.Open(
			d,
			[]notebook.Entry{word(1, "read-8"), at("read-8", 2, "50 mm")},
			english,
			notebook.Guards{"read-8": guard},
		)
		if got := b.Cell(s); got.State != guard || len(b.Held) != 1 || got.History[0].Fate != string(guard) {
			t.Errorf("%s: %s, held %v", guard, got.State, b.Held)
		}
		b = notebook.Open(
			d,
			[]notebook.Entry{at("read-8", 2, "50 mm"), vouched},
			english,
			notebook.Guards{"read-8": guard},
		)
		if got := b.Cell(s); got.State != notebook.HasValue || len(b.Held) != 0 {
			t.Errorf("%s, vouched: %s, held %v", guard, got.State, b.Held)
		}
	}
	if p := notebook.Fits(d, &notebook.Entry{Kind: notebook.Vouched, Step: "cut", Reason: " "}); p == nil ||
		p.Field != "reason" {
		t.Errorf("%+v", p)
	}
}

// "Not read" and a value of the same slot: the later one holds.
func TestNotReadAndReadAgain(t *testing.T) {
	d := strips(t)
	s := slot("towel", "1 min")
	forgot := func(minutes float64) notebook.Entry {
		return entry(notebook.NotRead, minutes, func(e *notebook.Entry) { e.Slot, e.Reason = s, "forgot" })
	}
	if c := notebook.Open(d, []notebook.Entry{forgot(1), reading(2, s, "17 mm")}, english,
		nil).Cell(s); c.State != notebook.HasValue {
		t.Errorf("read after all: %s", c.State)
	}
	if c := notebook.Open(d, []notebook.Entry{reading(1, s, "17 mm"), forgot(2)}, english,
		nil).Cell(s); c.State != notebook.HasReason ||
		c.Reason != "forgot" ||
		len(c.History) != 1 {
		t.Errorf("taken back: %+v", c)
	}
	if c := notebook.Open(d, []notebook.Entry{reading(1, s, "n/a")}, english,
		nil).Cell(s); c.State != notebook.HasReason ||
		c.Reason != "not-recorded" {
		t.Errorf("typed that there is none: %+v", c)
	}
	if c := notebook.Open(d, []notebook.Entry{reading(1, s, "no idea")}, english,
		nil).Cell(s); c.State != notebook.NeedsLook {
		t.Errorf("a text to read: %+v", c)
	}
	twice := []notebook.Entry{reading(1, s, "17 mm"), reading(2, s, "18 mm")}
	if c := notebook.Open(d, twice, english, nil).Cell(s); c.Understood.InUnit.Value != 18 ||
		c.History[0].Fate != "superseded" {
		t.Errorf("typed twice without a word: %+v", c.History)
	}
}

// Beans: (after − before)/before of 40 g and 85 g on a 1 g scale with a
// repeatability of 0.5 g. By hand u = √(v)·√(1/40² + 85²/40⁴) with
// v = 1/12 + 0.25.
func TestGainOfBeans(t *testing.T) {
	d := read(t, "thirsty-beans")
	weigh := func(id, condition, typed string) notebook.Entry {
		return entry(notebook.Reading, 1, func(e *notebook.Entry) {
			e.Slot, e.Typed = design.Slot{Reading: id, Condition: condition, Trial: 1}, typed
		})
	}
	b := notebook.Open(
		d,
		[]notebook.Entry{
			weigh("before", "plain", "40 g"),
			weigh("after", "plain", "85"),
			weigh("before", "salty", "39 g"),
		},
		english,
		nil,
	)
	results := notebook.Derive(b)
	v := 1.0/12 + 0.25
	want := 100 * math.Sqrt(v) * math.Sqrt(1/1600.0+85*85/math.Pow(40, 4))
	if r := results[0]; !r.OK || math.Abs(r.Value.Value-112.5) > 1e-9 || math.Abs(r.Value.U-want) > 1e-9 ||
		r.Value.Unit.Symbol != "%" ||
		r.Working != "(85\u00a0g − 40\u00a0g) / 40\u00a0g" {
		t.Errorf("%+v, want 112.5 ± %v", r, want)
	}
	if r := results[1]; r.OK || !strings.Contains(text.Render(r.Missing, "es"), "masa después del remojo") {
		t.Errorf("salty was not weighed after: %+v", r)
	}
}

// Four drops of a spinner: the mean, with u² = 0.15²/4 + 0.01²/12, since the steps
// of the watch are not less by repeating.
func TestMeanOfTrials(t *testing.T) {
	d := read(t, "falling-spinners")
	var entries []notebook.Entry
	for i, typed := range []string{"1.62", "1.58 s", "1,60", "spoiled below", "1.64"} {
		entries = append(entries, entry(notebook.Reading, float64(i), func(e *notebook.Entry) {
			e.Slot, e.Typed = design.Slot{Reading: "fall", Condition: "wing-8", Trial: i + 1}, typed
		}))
	}
	entries = append(
		entries,
		entry(notebook.Spoiled, 9, func(e *notebook.Entry) { e.Refers, e.Reason = entries[3].ID, "it hit the lamp" }),
	)
	i := slices.IndexFunc(
		notebook.Derive(notebook.Open(d, entries, english, nil)),
		func(r notebook.Result) bool { return r.Condition == "wing-8" },
	)
	r := notebook.Derive(notebook.Open(d, entries, english, nil))[i]
	if want := math.Sqrt(1e-4/12 + 0.0225/4); !r.OK || math.Abs(r.Value.Value-1.61) > 1e-9 ||
		math.Abs(r.Value.U-want) > 1e-9 {
		t.Errorf("%+v, want 1.61 ± %v", r, want)
	}
}

func TestWaits(t *testing.T) {
	d := read(t, "thirsty-beans")
	mixed := entry(notebook.StepDone, 0, func(e *notebook.Entry) { e.Step = "mix" })
	b := notebook.Open(d, []notebook.Entry{mixed}, english, nil)
	if at, ok := b.ReadyAt(3); !ok || !at.Equal(start.Add(14*time.Hour)) {
		t.Errorf("the soak ends %v %v", at, ok)
	}
	d.Steps[3].Wait.From = "" // from the end of the step before
	if at, ok := b.ReadyAt(3); !ok || !at.Equal(start.Add(14*time.Hour)) {
		t.Errorf("without a name it is the step before: %v %v", at, ok)
	}
	d.Steps[3].Wait.For = "a night"
	if _, ok := b.ReadyAt(3); ok {
		t.Error("a wait nobody can read")
	}
}

// An answer is never empty and never an option that is not there; the first
// prediction stands, and one that came after a first reading is marked.
func TestAnswers(t *testing.T) {
	d := strips(t)
	d.Questions = append(
		d.Questions,
		design.Question{ID: "most", When: "before", Kind: "choice"},
		design.Question{ID: "share", When: "after", Kind: "quantity", Unit: "%"},
		design.Question{
			ID:   "own",
			When: "after",
			Kind: "choice",
			Options: []design.Choice{
				{ID: "option-1", Word: text.Localized{"en": "fast"}},
				{ID: "option-2", Word: text.Localized{"en": "slow"}},
			},
		},
	)
	for _, c := range []struct {
		question string
		text     string
		choice   []string
		field    string
	}{
		{"order", "", []string{"printer", "newspaper", "filter", "towel"}, ""},
		{"order", "", []string{"printer"}, "choice"}, {"order", "", nil, "choice"},
		{"order", "", []string{"printer", "printer", "filter", "towel"}, "choice"}, {"most", "", []string{"towel"}, ""},
		{"most", "", []string{"velvet"}, "choice"},
		{"most", "", []string{"towel", "filter"}, "choice"}, {"why", "it is soft", nil, ""}, {"why", "  ", nil, "text"},
		{"share", "12", nil, ""}, {"share", "", nil, "text"},
		{"own", "", []string{"option-2"}, ""}, {"own", "", []string{"option-3"}, "choice"},
		{"nothing", "x", nil, "question"},
	} {
		p := notebook.Fits(
			d,
			&notebook.Entry{Kind: notebook.Answer, Question: c.question, Text: c.text, Choice: c.choice},
		)
		if p == nil && c.field != "" || p != nil && p.Field != c.field {
			t.Errorf("%s %q %v: %+v, want a problem with %q", c.question, c.text, c.choice, p, c.field)
		}
	}
	answer := func(minutes float64, choice string) notebook.Entry {
		return entry(
			notebook.Answer,
			minutes,
			func(e *notebook.Entry) { e.Question, e.Choice = "most", []string{choice} },
		)
	}
	b := notebook.Open(
		d,
		[]notebook.Entry{answer(1, "towel"), answer(9, "filter"), reading(5, slot("towel", "8 min"), "50 mm")},
		english,
		nil,
	)
	if said, ok := b.Said("most"); !ok || said.Entry.Choice[0] != "towel" || said.AfterStart {
		t.Errorf("%+v", said)
	}
	b = notebook.Open(
		d,
		[]notebook.Entry{answer(9, "filter"), reading(5, slot("towel", "8 min"), "50 mm")},
		english,
		nil,
	)
	if said, _ := b.Said("most"); !said.AfterStart {
		t.Errorf("%+v", said)
	}
	if _, ok := b.Said("why"); ok {
		t.Error("an answer that nobody gave")
	}
}
