package sentence_test

import (
	"encoding/json"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
)

// weighed is a design with one step and a reading that nothing takes yet.
func weighed() *design.Document {
	return &design.Document{
		Schema: design.Schema, Languages: []string{"en", "es"}, Trials: 1, AgeBand: "11-13", Way: design.FollowAlong,
		Readings: []design.Reading{{ID: "mass", Symbol: "m", Unit: "g", Name: text.Localized{"en": "mass"}}},
		Steps: []design.Step{{ID: "jar", Kind: "do", Title: text.Localized{"en": "Fill the jar", "es": "Llena el frasco"},
			Text: text.Localized{"en": "Fill the jar."}}},
	}
}

// TestNote: a line hangs on the step at hand or is a step of its own, in both languages,
// and what it adds is said before it is taken. The forms are those a teacher types.
func TestNote(t *testing.T) {
	for _, c := range []struct {
		language, line, words string
		holds                 string // what the design has then, as JSON
	}{
		{"en", "wait 14 h", "Adds step 2. Read in it: wait “Wait 14 h”.", `"wait":{"for":"14 h"}`},
		{"en", "wait 14 h to 16 h", "Adds step 2. Read in it: wait “Wait 14 h to 16 h”.",
			`"wait":{"for":"15 h","earliest":"14 h","latest":"16 h"}`},
		{"es", "espera de 8 a 10 min", "Adds step 2. Read in it: wait “Espera de 8 a 10 min”.",
			`"wait":{"for":"9 min","earliest":"8 min","latest":"10 min"}`},
		{"en", "read height at 1 2 4 8 min", "Adds step 2. Read in it: reading “Read height” and times “at 1 2 4 8 min”.",
			`"times":["1 min","2 min","4 min","8 min"]`},
		{"en", "photo jars, labels in view", "Hangs a photo on step 1.",
			`"name":{"en":"jars"},"must_show":{"en":"labels in view"}`},
		{"es", "foto", "Hangs a photo on step 1.", `"name":{"en":"Photo: Fill the jar","es":"Foto: Llena el frasco"}`},
		{"en", "Adult near", "An adult has to be near at step 1.", `"step":"jar","verdict":"adult-near"`},
		{"es", "persona adulta cerca: el horno quema", "An adult has to be near at step 1.",
			`"why":{"en":"Something here is better not done alone.","es":"el horno quema"}`},
		{"en", "hazard the lid is sharp", "Adds a hazard that you see to step 1.",
			`"verdict":"care","why":{"en":"the lid is sharp"}`},
		{"en", "keep the jar for step 9", "Step 1 says what is kept.", `"help":"keep","thing":{"en":"the jar for step 9"}`},
		{"en", "look again at the foam", "Step 1 says what is looked at again.", `"help":"look-again","thing":{"en":"the foam"}`},
		{"en", "question: what do you see?", "Asks a question at step 1.", `"text":{"en":"what do you see?"}`},
		{"en", "gate", "A gate stands behind step 1: homes wait there until you say go.", `"gate":true`},
		{"es", "puerta", "A gate stands behind step 1: homes wait there until you say go.", `"gate":true`},
		{"en", "keeping still is hard", "Adds step 2 as it is said. Nothing in it was understood.", `"Keeping still is hard."`},
		{"en", "pour 200 mL of water into the jar",
			"Adds step 2. Read in it: does “Pour”, amount “200 mL”, thing “water” and vessel “jar”.", `"actions":["pour"]`},
	} {
		d := weighed()
		n, ok := sentence.Note(d, 0, c.line, c.language)
		if got := strings.ReplaceAll(text.Render(n.Words, "en"), "\u00a0", " "); !ok || got != c.words {
			t.Errorf("%q adds %q, want %q", c.line, got, c.words)
		}
		raw, _ := json.Marshal(d)
		if !strings.Contains(string(raw), c.holds) {
			t.Errorf("%q: %s is not in %s", c.line, c.holds, raw)
		}
	}
}

// TestNoteRefuses: nothing, too much, and places that are not there add nothing.
func TestNoteRefuses(t *testing.T) {
	for _, c := range []struct {
		behind int
		line   string
	}{{0, "  "}, {0, strings.Repeat("x", sentence.MostSigns+1)}, {1, "wait 3 min"}, {-2, "wait 3 min"}} {
		d := weighed()
		if _, ok := sentence.Note(d, c.behind, c.line, "en"); ok || len(d.Steps) != 1 {
			t.Errorf("%.20q behind %d is taken", c.line, c.behind)
		}
	}
	d := weighed() // at the beginning nothing can be hung: it is a step
	if n, ok := sentence.Note(d, -1, "photo of the jar", "en"); !ok || n.Peg != "" || len(d.Steps) != 2 ||
		d.Steps[1].ID != "jar" {
		t.Errorf("at the beginning: %+v", d.Steps)
	}
}

// TestHang: a reading that nothing takes is hung first, then a new one; a gate hung twice
// is gone; every peg leads to a place in the design and is judged without a fault.
func TestHang(t *testing.T) {
	for _, peg := range sentence.Pegs {
		d := weighed()
		at, ok := sentence.Hang(d, "jar", peg, "", "en")
		if !ok || !strings.HasPrefix(at, "/") {
			t.Errorf("%s hangs at %q", peg, at)
		}
		for _, f := range design.Validate(d) {
			if f.Severity == design.Error && strings.Contains(f.Path, "/id") {
				t.Errorf("%s: %v at %s", peg, f.Message, f.Path)
			}
		}
	}
	d := weighed()
	d.Conditions = []design.Condition{{ID: "a"}, {ID: "b"}}
	first, _ := sentence.Hang(d, "jar", sentence.ReadingPeg, "", "en")
	second, _ := sentence.Hang(d, "jar", sentence.ReadingPeg, "", "en")
	third, _ := sentence.Hang(d, "jar", sentence.ReadingPeg, "foam", "en")
	if first != "/readings/0/name" || second != "/readings/1/name" || third != "/readings/2/name" ||
		len(d.Steps[0].Takes) != 3 || d.Readings[2].ID != "foam" || !d.Readings[2].PerCondition() {
		t.Errorf("readings hang at %s, %s, %s: %+v", first, second, third, d.Readings)
	}
	sentence.Hang(d, "jar", sentence.GatePeg, "", "en")
	sentence.Hang(d, "jar", sentence.GatePeg, "", "en")
	if got := text.Render(sentence.Hung(d, 0, sentence.GatePeg), "en"); d.Steps[0].Gate ||
		got != "The gate behind step 1 is gone." {
		t.Errorf("a gate hung twice: %q", got)
	}
	if _, ok := sentence.Hang(d, "no-step", sentence.GatePeg, "", "en"); ok {
		t.Error("a peg hangs on a step that is not there")
	}
	if _, ok := sentence.Hang(d, "jar", "lamp", "", "en"); ok {
		t.Error("an unknown peg hangs")
	}
}

// FuzzNote: no line breaks the design.
func FuzzNote(f *testing.F) {
	for _, line := range []string{"wait 14 h to 16 h", "foto: , ", "gate", "adult near", "keep \x00", "ask ¿?", "读"} {
		f.Add(line, "en")
		f.Add(line, "es")
	}
	f.Fuzz(func(t *testing.T, line, language string) {
		d := weighed()
		n, ok := sentence.Note(d, 0, line, language)
		if raw, err := json.Marshal(d); err != nil || !ok && len(d.Steps) > 1 {
			t.Errorf("%q: %v %s", line, err, raw)
		}
		_ = text.Render(n.Words, "es")
	})
}

// A step that a line or a split makes is in the part of the one before it; the gate behind a
// step that is split stands behind both.
func TestNewStepsAreInTheirPart(t *testing.T) {
	d := weighed()
	d.Sections = []design.Section{{ID: "part", Steps: []string{"jar"}}}
	d.Steps[0].Gate = true
	sentence.Note(d, 0, "wait 3 min", "en")
	d.Steps[0].Text["en"] = "Fill the jar. Shake it."
	if !sentence.Carry(d, "jar", "en", sentence.Revision{Kind: sentence.Split}, "") {
		t.Fatal("it is not split")
	}
	if d.Steps[0].Text["en"] != "Fill the jar." || d.Steps[1].Text["en"] != "Shake it." {
		t.Errorf("split into %q and %q", d.Steps[0].Text, d.Steps[1].Text)
	}
	for _, one := range []string{"Pour 1.5 L in.", "Pour it in. ", "", "¿Qué ves?"} { // one sentence is no two
		x := weighed()
		x.Steps[0].Text["en"] = one
		if sentence.Carry(x, "jar", "en", sentence.Revision{Kind: sentence.Split}, "") {
			t.Errorf("%q is split", one)
		}
	}
	if len(d.Steps) != 3 || len(d.Sections[0].Steps) != 3 || d.Sections[0].Steps[1] != d.Steps[1].ID {
		t.Errorf("%d steps, of which %v are in the part", len(d.Steps), d.Sections[0].Steps)
	}
	if d.Steps[0].Gate || !d.Steps[1].Gate {
		t.Error("the gate does not stand behind both")
	}
}
