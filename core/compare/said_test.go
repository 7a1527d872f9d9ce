package compare_test

import (
	"math"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

// What a class said: counted from five homes on, held against each home's own
// numbers; one that came after its first reading counts nowhere. Mean ranks and
// agreement by hand: of towel first four times and filter first once the ranks
// sum to 6, 9, 15, 20, and W = 12·S/(n²(k³ − k)) with S = 117.
func TestWhatTheySaid(t *testing.T) {
	d, homes := class(
		t,
		map[string][]float64{
			"printer":   {10, 11, 9, 10, 12, 10},
			"towel":     {30, 31, 29, 30, 8, 31},
			"filter":    {20, 21, 19, 20, 21, 22},
			"newspaper": {15, 15, 14, 16, 15, 16},
		},
	)
	d.Questions = append(
		d.Questions,
		design.Question{ID: "most", When: "before", Kind: "choice", Text: text.Localized{"en": "Which?"}},
		design.Question{
			ID:   "share",
			When: "after",
			Kind: "quantity",
			Unit: "%",
			Text: text.Localized{"en": "How much?"},
		},
	)
	orders := [][]string{
		{"towel", "filter", "newspaper", "printer"},
		{"towel", "filter", "newspaper", "printer"},
		{"towel", "filter", "newspaper", "printer"},
		{"towel", "filter", "newspaper", "printer"},
		{"filter", "towel", "newspaper", "printer"},
		{"printer", "towel", "filter", "newspaper"},
	}
	for i := range homes {
		at := time.Unix(0, 0)
		if i == 5 {
			at = time.Unix(100, 0) // its readings were made at 1
		}
		entries := []notebook.Entry{
			{
				ID:       "o",
				Kind:     notebook.Answer,
				Received: at,
				Question: "order",
				Choice:   orders[i],
			}, {ID: "m", Kind: notebook.Answer, Received: at, Question: "most", Choice: []string{"towel"}},
			{
				ID:       "s",
				Kind:     notebook.Answer,
				Received: at,
				Question: "share",
				Text:     []string{"10", "12 %", "about 11", "147 g", "13", "12"}[i],
			},
		}
		for _, c := range homes[i].Book.Cells {
			if c.Entry != nil {
				entries = append(entries, *c.Entry)
			}
		}
		homes[i].Book = notebook.Open(d, entries, reading.Writer{Language: "en"}, nil)
	}
	said := map[string]compare.Said{}
	for _, s := range compare.WhatTheySaid(d, homes) {
		said[s.Question.ID] = s
	}
	order := said["order"]
	ranks := map[string]float64{}
	for _, o := range order.Options {
		ranks[o.ID] = o.MeanRank
	}
	if math.Abs(ranks["towel"]-1.2) > 1e-9 || math.Abs(ranks["filter"]-1.8) > 1e-9 || ranks["printer"] != 4 ||
		!strings.Contains(text.Render(order.Words, "en"), "by 0.94 of 1 (5 homes") {
		t.Errorf("%v %s", ranks, text.Render(order.Words, "en"))
	}
	if order.Held != 4 || order.NotHeld != 1 || !order.Homes[5].AfterStart || order.Homes[4].Verdict != "not-held" {
		t.Errorf("%+v", order)
	}
	if w := text.Render(order.Homes[0].Words, "en"); w != "Kitchen roll, Coffee filter, Newspaper and Printer paper" {
		t.Error(w)
	}
	most := said["most"]
	if text.Render(most.Words, "en") != "5 of 5 homes said Kitchen roll." || most.Held != 4 || most.NotHeld != 1 {
		t.Errorf("%+v: %s", most, text.Render(most.Words, "en"))
	}
	if w := text.Render(said["share"].Words, "en"); !strings.Contains(
		strings.ReplaceAll(w, "\u00a0", " "),
		"5 homes, in the middle 12.0 %",
	) {
		t.Error(w)
	}
	for i := range d.Questions {
		d.Questions[i].Least = d.Questions[i].ID == "most" // towel has the most in four of five homes
	}
	for _, s := range compare.WhatTheySaid(d, homes) {
		if s.Question.ID == "most" && (s.Held != 1 || s.NotHeld != 4) {
			t.Errorf("where the least is asked for: %+v", s)
		}
	}
	few := compare.WhatTheySaid(d, homes[:3])
	if few[0].Words.ID != "" || few[0].Options[0].MeanRank != 0 || len(few[0].Homes) != 3 {
		t.Errorf("three homes are not counted: %+v", few[0])
	}
}
