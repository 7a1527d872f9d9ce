package design_test

import (
	"bytes"
	"os"
	"strings"
	"testing"

	"patient-kitchen/core/design"
)

// One golden file for each step of the schema.
func TestLift(t *testing.T) {
	old, err := os.ReadFile("testdata/schema-1.json")
	if err != nil {
		t.Fatal(err)
	}
	want, err := os.ReadFile("testdata/schema-1-as-2.json")
	if err != nil {
		t.Fatal(err)
	}
	if got := design.Lift(old); !bytes.Equal(got, bytes.TrimSpace(want)) {
		t.Errorf("schema 1 becomes\n%s", got)
	}
	d, err := design.Read(old)
	if err != nil || d.Needs[0].Kind != design.ObjectNeed || d.Needs[0].Role != "" || d.Needs[1].Role != "mild-acid" {
		t.Errorf("%v %+v", err, d.Needs)
	}
	// One line of the statement not answered: every need has to be said anew,
	// and what was said since stays.
	open := strings.Replace(strings.Replace(string(old), `"gas":false,`, "", 1), `"id":"acid"`, `"id":"acid","kind":"material","material":"vinegar-white"`, 1)
	if d, err := design.Read([]byte(open)); err != nil || d.Needs[0].Kind != "" || d.Needs[1].Material != "vinegar-white" {
		t.Errorf("%v %+v", err, d.Needs)
	}
	for _, raw := range []string{"{", `{"schema":2}`, `{"schema":"x"}`} {
		if string(design.Lift([]byte(raw))) != raw {
			t.Errorf("%s was changed", raw)
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
		"strength":             func(d *design.Document) { d.Needs[0].Strength = &design.Strength{Value: 140, Basis: "w/v"} },
		"own-material": func(d *design.Document) {
			d.Materials = append(d.Materials, d.Larder().Materials[0], d.Larder().Materials[0])
		},
		"unknown-result": func(d *design.Document) { d.Measured[0].Result = "beauty" },
		"unknown-need":   func(d *design.Document) { d.Steps[0].In = "bucket" },
		"heat":           func(d *design.Document) { d.Steps[0].Heat = "very" },
		"caution-step":   func(d *design.Document) { d.Cautions = []design.Caution{{ID: "own", Step: "nowhere"}} },
		"voltage":        func(d *design.Document) { d.Steps[0].Voltage = "3 kg" },
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
