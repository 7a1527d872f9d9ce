package design_test

import (
	"bytes"
	"encoding/json"
	"os"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/formula"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
	"patient-kitchen/docs"
)

// One golden file for each step of the schema.
func TestLift(t *testing.T) {
	file := func(name string) []byte {
		raw, err := os.ReadFile("testdata/" + name + ".json")
		if err != nil {
			t.Fatal(err)
		}
		return bytes.TrimSpace(raw)
	}
	old := file("schema-1")
	for from, to := range map[string]string{"schema-1": "schema-1-as-3", "schema-1-as-2": "schema-1-as-3",
		"schema-2": "schema-2-as-3"} {
		if got, want := design.Lift(file(from)), file(to); !bytes.Equal(got, want) {
			t.Errorf("%s becomes\n%s", from, got)
		}
	}
	d, err := design.Read(old)
	if err != nil || d.Needs[0].Kind != design.ObjectNeed || d.Needs[0].Role != "" || d.Needs[1].Role != "mild-acid" {
		t.Errorf("%v %+v", err, d.Needs)
	}
	// One line of the statement not answered: every need has to be said anew,
	// and what was said since stays.
	open := strings.Replace(
		strings.Replace(string(old), `"gas":false,`, "", 1),
		`"id":"acid"`,
		`"id":"acid","kind":"material","material":"vinegar-white"`,
		1,
	)
	if d, err := design.Read([]byte(open)); err != nil || d.Needs[0].Kind != "" ||
		d.Needs[1].Material != "vinegar-white" {
		t.Errorf("%v %+v", err, d.Needs)
	}
	for _, raw := range []string{"{", `{"schema":3}`, `{"schema":"x"}`} {
		if string(design.Lift([]byte(raw))) != raw {
			t.Errorf("%s was changed", raw)
		}
	}
}

// A key that nothing reads is named, in every language; a sound document, of
// either form, has none.
func TestStrays(t *testing.T) {
	for _, name := range docs.Ready {
		raw, err := docs.Example(name)
		if err != nil {
			t.Fatal(err)
		}
		if got := design.Strays(raw); len(got) != 0 {
			t.Errorf("%s: %+v", name, got)
		}
		spoilt := strings.Replace(
			strings.Replace(string(raw), `"duration"`, `"minutes"`, 1),
			`"age_band"`,
			`"age_band": "5-7", "age_band"`,
			1,
		)
		got := design.Strays([]byte(spoilt))
		if len(got) != 2 || got[0].Code != "stray-twice" && got[1].Code != "stray-twice" {
			t.Errorf("%s: %+v", name, got)
		}
		for _, f := range got {
			for _, lang := range text.Languages {
				if s := text.Render(f.Message, lang) + text.Render(f.Mend, lang); strings.ContainsAny(s, "[]{}") {
					t.Errorf("%s: %s", f.Code, s)
				}
			}
		}
	}
}

// What a need says it is, is checked against the larder.
func TestThings(t *testing.T) {
	for code, change := range map[string]func(*design.Document){
		"need-kind":            func(d *design.Document) { d.Needs[0].Kind = "stuff" },
		"unknown-role":         func(d *design.Document) { d.Needs[0].Role = "strong-acid" },
		"unknown-material":     func(d *design.Document) { d.Needs[0].Material = "jelly-bean" },
		"role-not-of-material": func(d *design.Document) { d.Needs[0].Role = "mild-acid" },
		"unknown-form":         func(d *design.Document) { d.Needs[0].Form = "roasted" },
		"strength": func(d *design.Document) {
			d.Needs[0].Strength = &design.Strength{Value: 140,
				Basis: "w/v"}
		},
		"own-material": func(d *design.Document) {
			d.Materials = append(d.Materials, d.Larder().Materials[0], d.Larder().Materials[0])
		},
		"unknown-result": func(d *design.Document) { d.Measured[0].Result = "beauty" },
		"unknown-need":   func(d *design.Document) { d.Steps[0].In = "bucket" },
		"heat":           func(d *design.Document) { d.Steps[0].Heat = "very" },
		"caution-step":   func(d *design.Document) { d.Cautions = []design.Caution{{ID: "own", Step: "nowhere"}} },
		"hundred":        func(d *design.Document) { d.Derived[0].Formula = "(after - before) / before * 100" },
		"matters":        func(d *design.Document) { d.Measured[0].Matters = "a lot" },
		"stated":         func(d *design.Document) { d.Measured[0].Stated = "3 km" },
		"claim": func(d *design.Document) {
			d.Claims = []design.Claim{{ID: "c", Says: "more", Condition: "velvet"}}
		},
		"bare-number":     func(d *design.Document) { d.Steps[0].Heat = "50" },
		"bare-time":       func(d *design.Document) { d.Steps[0].Duration = "6" },
		"duration":        func(d *design.Document) { d.Steps[0].Duration = "a while" },
		"unknown-quality": func(d *design.Document) { d.Needs[0].Qualities = []design.Quality{{Is: "pretty"}} },
		"quality-plain": func(d *design.Document) {
			d.Needs[0].Qualities = []design.Quality{{Is: "cut-open", Figure: "3 mm"}}
		},
		"quality-figure": func(d *design.Document) {
			d.Needs[0].Qualities = []design.Quality{{Is: "heat-proof", Figure: "80 mL"}}
		},
		"quality": func(d *design.Document) {
			d.Needs[0].Material, d.Needs[0].Qualities = "mug", []design.Quality{{Is: "see-through"}}
		},
		"voltage": func(d *design.Document) { d.Steps[0].Voltage = "3 kg" },
		"amount-range": func(d *design.Document) {
			d.Needs[0].AmountBy, d.Needs[0].Amount = design.ByRange, "20 g"
		},
		"amount-count": func(d *design.Document) {
			d.Needs[0].AmountBy, d.Needs[0].Amount = design.ByCount, "2.5"
		},
		"amount-eye": func(d *design.Document) {
			d.Needs[0].AmountBy, d.Needs[0].Amount, d.Needs[0].Look = design.ByEye, "20 g", "jar-half"
		},
		"look": func(d *design.Document) { d.Needs[0].AmountBy, d.Needs[0].Look = design.ByEye, "bucket" },
		"kind": func(d *design.Document) { d.Needs[0].AmountBy = "feeling" },
		"copies": func(d *design.Document) {
			d.Needs[0].Copies = []design.Copy{{ID: "a", Prepared: text.Localized{"en": "whole", "es": "entera"}}}
		},
		"same-id": func(d *design.Document) {
			whole := text.Localized{"en": "whole", "es": "entera"}
			d.Needs[0].Copies = []design.Copy{{ID: "a", Prepared: whole}, {ID: "a", Prepared: whole}}
		},
		"no-name": func(d *design.Document) {
			d.Needs[0].Copies = []design.Copy{{ID: "a"}, {ID: "b"}}
		},
	} {
		d := example(t, "thirsty-beans")
		for _, f := range design.Validate(&d) {
			if f.Code == code {
				t.Errorf("%s is found in a sound design", code)
			}
		}
		change(&d)
		found := false
		for _, f := range design.Validate(&d) {
			found = found || f.Code == code
		}
		if !found {
			t.Errorf("%s is not found: %+v", code, design.Validate(&d))
		}
	}
}

// A number without its unit is asked, and the likely unit offered: the one of
// the reading, of what is warm, of a liquid or a powder. What is counted has
// none.
func TestBareNumbers(t *testing.T) {
	for _, c := range []struct {
		offer string
		set   func(*design.Document)
	}{
		{"50 °C", func(d *design.Document) { d.Steps[0].Heat = "50" }},
		{"4.5 V", func(d *design.Document) { d.Steps[0].Voltage = "4.5" }},
		{"1 g", func(d *design.Document) { d.Readings[0].Instruments[0].Resolution = "1" }},
		{"500 g", func(d *design.Document) { d.Readings[0].High = "500" }},
		{"200 mL", func(d *design.Document) { d.Needs[0].Material, d.Needs[0].Amount = "water-tap", "200" }},
		{"30 g", func(d *design.Document) { d.Needs[0].Material, d.Needs[0].Amount = "table-salt", "30" }},
		{"", func(d *design.Document) { d.Needs[0].Material, d.Needs[0].Amount = "mug", "2" }},
	} {
		d := example(t, "thirsty-beans")
		c.set(&d)
		offer := ""
		for _, f := range design.Validate(&d) {
			if f.Code == "bare-number" {
				offer = f.Offer
			}
		}
		if offer != c.offer {
			t.Errorf("%q is offered, want %q", offer, c.offer)
		}
	}
}

// The school's own things and swaps travel with a document and are judged with
// it; wrong ones are left out and said.
func TestOwnEntriesTravel(t *testing.T) {
	d := example(t, "thirsty-beans")
	d.Materials = []larder.Material{
		{
			ID:      "moor-beans",
			Name:    text.Localized{"en": "moor beans", "es": "judías del páramo"},
			Roles:   []string{"choice-seed"},
			Hazards: []string{"choking"},
		},
	}
	d.Swaps = []larder.SwapRule{
		{
			ID:      "beans-for-beans",
			Role:    "choice-seed",
			Results: []string{"any"},
			From:    larder.Side{Text: "beans", Materials: []string{"kidney-bean-dry"}},
			To:      larder.Side{Text: "moor beans", Materials: []string{"moor-beans"}},
			Basis:   larder.EqualMass,
			Class:   larder.Separate,
		},
	}
	raw, err := json.Marshal(d)
	if err != nil {
		t.Fatal(err)
	}
	back, err := design.Read(raw)
	if err != nil || design.HasErrors(design.Validate(&back)) {
		t.Fatalf("%v %+v", err, design.Validate(&back))
	}
	all, err := back.Larder().
		Candidates(larder.Wanted{Role: "choice-seed", Stuff: larder.Stuff{Material: "kidney-bean-dry"}})
	if err != nil ||
		!slices.ContainsFunc(
			all,
			func(c larder.Candidate) bool { return c.Material.ID == "moor-beans" && c.Rule == "beans-for-beans" },
		) {
		t.Errorf("%v", err)
	}
	if _, ok := larder.Standard().Material("moor-beans"); ok {
		t.Error("the shipped larder was changed")
	}
	back.Swaps[0].To.Materials = []string{"nectar"}
	found := false
	for _, f := range design.Validate(&back) {
		found = found || f.Code == "own-material"
	}
	if _, ok := back.Larder().Material("moor-beans"); ok || !found {
		t.Errorf("a wrong swap: found %v, used %v", found, ok)
	}
}

// A teacher's own caution is a text that families read, in each language.
func TestCautionsAreFamilyTexts(t *testing.T) {
	d := example(t, "thirsty-beans")
	d.Cautions = []design.Caution{
		{
			ID:      "stove",
			Step:    "mix",
			Verdict: "adult-near",
			Why:     text.Localized{"en": "Our stove tips over."},
			Do:      text.Localized{"en": "Hold it."},
		},
	}
	missing := 0
	for _, f := range design.Validate(&d) {
		if f.Code == "untranslated" {
			missing++
		}
	}
	if missing == 0 {
		t.Error("a caution without Spanish is not missed")
	}
	paths := 0
	for _, p := range d.FamilyTexts() {
		if strings.HasPrefix(p.Path, "/cautions/0/") {
			paths++
		}
	}
	if paths != 2 {
		t.Errorf("%d texts of the caution", paths)
	}
}

// A percentage says of what it is a share, in the readings' names.
func TestOfWhat(t *testing.T) {
	d := example(t, "thirsty-beans")
	for src, of := range map[string]string{"(after - before) / before * 100": "before",
		"(before - after) / (before - 3 g)": "(before - 3 g)", "after - before": ""} {
		e, err := formula.Parse(src)
		if err != nil {
			t.Fatal(err)
		}
		share, _, _ := e.AsShare("%")
		want := of
		for _, r := range d.Readings {
			want = strings.ReplaceAll(want, r.Symbol, r.Name["en"])
		}
		if got := design.Named(&d, share.Of(), "en"); got != want || of != "" && got == of {
			t.Errorf("%s is of %q, want %q", src, got, want)
		}
	}
}
