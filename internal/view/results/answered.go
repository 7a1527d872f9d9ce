package results

import (
	"slices"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// AnsweredView is what the class answered to one question.
type AnsweredView struct {
	ID       string           `json:"id"`
	When     string           `json:"when"`
	Kind     string           `json:"kind"`
	Text     string           `json:"text"`
	Words    string           `json:"words,omitempty" doc:"What the class said, from five homes on"`
	Options  []AnsweredOption `json:"options" doc:"From five homes on"`
	Homes    []AnsweredHome   `json:"homes"`
	Held     int              `json:"held"`
	NotHeld  int              `json:"not_held"`
	Cannot   int              `json:"cannot_tell"`
	Verdicts bool             `json:"verdicts" doc:"The answers can be held against the homes' numbers"`
}

// AnsweredOption is one option over the class.
type AnsweredOption struct {
	Text string `json:"text"`
	N    int    `json:"n,omitempty" doc:"Of a choice: how many homes"`
	Rank string `json:"rank,omitempty" doc:"Of an order: its mean place"`
}

// AnsweredHome is one home's answer.
type AnsweredHome struct {
	Home       uuid.UUID `json:"home"`
	Nickname   string    `json:"nickname"`
	Words      string    `json:"words"`
	AfterStart bool      `json:"after_start,omitempty" doc:"A prediction that came after the first reading; it counts in no verdict"`
	Verdict    string    `json:"verdict,omitempty" enum:"held,not-held,cannot-tell"`
	Result     string    `json:"result,omitempty" doc:"What the home found, by condition"`
}

// ViewAnswered is what the homes answered, question by question.
func ViewAnswered(
	d *design.Document,
	homes []compare.Home,
	name func(key string) string,
	language string,
) []AnsweredView {
	out := []AnsweredView{}
	for _, s := range compare.WhatTheySaid(d, homes) {
		v := AnsweredView{
			ID:      s.Question.ID,
			When:    s.Question.When,
			Kind:    s.Question.Kind,
			Words:   text.Render(s.Words, language),
			Options: []AnsweredOption{},
			Homes:   []AnsweredHome{},
			Held:    s.Held,
			NotHeld: s.NotHeld,
			Cannot:  s.Cannot,
		}
		v.Text, _ = s.Question.Text.In(language)
		for _, o := range s.Options {
			row := AnsweredOption{N: o.N}
			row.Text, _ = o.Word.In(language)
			if s.Question.Kind == "order" {
				row.N = 0
				if o.MeanRank > 0 {
					row.Rank = text.Number(o.MeanRank, 1, language)
				}
			}
			if s.Words.ID != "" {
				v.Options = append(v.Options, row)
			}
		}
		for _, h := range s.Homes {
			id, _ := uuid.Parse(h.Key)
			row := AnsweredHome{
				Home:       id,
				Nickname:   name(h.Key),
				Words:      text.Render(h.Words, language),
				AfterStart: h.AfterStart,
				Verdict:    h.Verdict,
			}
			v.Verdicts = v.Verdicts || h.Verdict != ""
			if s.Question.When == "before" && len(s.Options) > 0 {
				row.Result = found(d, homes, h.Key, language)
			}
			v.Homes = append(v.Homes, row)
		}
		out = append(out, v)
	}
	return out
}

// found is what one home found of the first value, by condition.
func found(d *design.Document, homes []compare.Home, key, language string) string {
	i := slices.IndexFunc(homes, func(h compare.Home) bool { return h.Key == key })
	results := notebook.Derive(homes[i].Book)
	var words []string
	for _, r := range results {
		if r.Derived != results[0].Derived || !r.OK && r.Bound == nil {
			continue
		}
		word := r.Value.Bare().Show(language)
		if r.Said.ID != "" {
			word = text.Render(r.Said, language)
		}
		if r.Bound != nil {
			word = text.Render(quantity.Bounds(r.Bound.Low, r.Bound.High, r.Value.Unit), language)
		}
		if lane := in(d.LaneName(r.Condition), language); lane != "" {
			word = lane + " " + word
		}
		words = append(words, word)
	}
	return strings.Join(words, ", ")
}
