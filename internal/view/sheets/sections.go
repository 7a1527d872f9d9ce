package sheets

import (
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
)

// SheetSection is one part of the guardian's sheet. The phone, the page without
// script, paper and the teacher's preview draw the same sections in the same
// order.
type SheetSection struct {
	ID    string      `json:"id" enum:"what,who,facts,wear,where,before,during,stop,wrong,clear,lowered,general"`
	Title string      `json:"title"`
	Lines []SheetLine `json:"lines"`
}

// SheetLine is one line of a section. Paper has room for what to do alone;
// elsewhere the reason stands before it.
type SheetLine struct {
	Strong string `json:"strong,omitempty"`
	Why    string `json:"why,omitempty"`
	Text   string `json:"text,omitempty"`
}

// sections lays the sheet of a design out.
func (w *writer) sections(d *design.Document, r review.Review, p SafetyPart) []SheetSection {
	say := func(id string, args text.Args) string {
		return text.Render(text.Message{ID: "safety.sheet." + id, Args: args}, w.language)
	}
	var out []SheetSection
	add := func(id string, lines ...SheetLine) {
		if len(lines) > 0 {
			out = append(out, SheetSection{id, say(id, nil), lines})
		}
	}
	plain := func(texts ...string) []SheetLine {
		var lines []SheetLine
		for _, t := range texts {
			if t != "" {
				lines = append(lines, SheetLine{Text: t})
			}
		}
		return lines
	}
	what := plain(
		w.say(d.Question),
		say(
			"takes",
			text.Args{"minutes": int(r.Timeline.Total.Minutes() + 0.5), "hands": int(r.Timeline.Hands.Minutes() + 0.5)},
		),
	)
	if len(d.Changed.Name) > 0 {
		what = append(what, plain(say("changes", text.Args{"name": d.Changed.Name}))...)
	}
	add("what", what...)

	var who, where []SheetLine
	for _, j := range p.AdultJobs {
		who = append(
			who,
			SheetLine{
				Strong: say(
					"job",
					text.Args{
						"number":  j.Number,
						"minutes": j.Minutes,
						"title":   j.Title,
						"verdict": say(j.Verdict, nil),
					},
				),
				Why:  j.Why,
				Text: j.Do,
			},
		)
	}
	if len(p.AdultJobs) > 0 {
		who = append(who, SheetLine{Text: p.Near})
	} else {
		who = plain(say("nobody", nil))
	}
	where = plain(Ended(w.say(d.Place)))
	for i := range d.Needs {
		switch n := &d.Needs[i]; n.Kind {
		case design.PersonNeed:
			who = append(who, plain(Ended(w.say(n.Name)))...)
		case design.PlaceNeed:
			where = append(where, plain(Ended(w.say(n.Name)))...)
		}
	}
	add("who", who...)
	add("facts", factLines(d, r, w.language)...)
	if len(p.Gear) > 0 {
		add("wear", plain(strings.Join(p.Gear, " · "))...)
	} else {
		add("wear", plain(say("nothing", nil))...)
	}
	add("where", append(where, plain(p.Where...)...)...)
	before := plain(p.Before...)
	if p.Holds != "" {
		before = append(before, SheetLine{Strong: p.Holds})
	}
	add("before", before...)
	var during []SheetLine
	for _, c := range p.Cautions {
		during = append(during, SheetLine{Why: c.Why, Text: c.Do})
	}
	add("during", during...)
	add("stop", plain(p.Stop...)...)
	var wrong []SheetLine
	cards := map[string]CardView{}
	for _, c := range FirstAid(w.language) {
		cards[c.ID] = c
	}
	for i, id := range p.Cards {
		if c, ok := cards[id]; ok && i < firstCards {
			wrong = append(
				wrong,
				SheetLine{Strong: c.Title + ":", Text: strings.Join(c.Steps[:min(2, len(c.Steps))], " ")},
			)
		}
	}
	add("wrong", wrong...)
	add("clear", plain(p.Clearing...)...)
	var lowered []SheetLine
	for _, l := range p.Lowered {
		lowered = append(lowered, SheetLine{Strong: l})
	}
	add("lowered", lowered...)
	add("general", plain(p.General...)...)
	return out
}

// Guardian is what a design's guardians read, in a language.
func Guardian(d *design.Document, r review.Review, language string) SafetyPart {
	return (&writer{language: language}).guardian(d, r)
}

// guardian is the sheet of a design with its sections.
func (w *writer) guardian(d *design.Document, r review.Review) SafetyPart {
	p := safetyPart(d, r.Safety, startsOf(r), w)
	p.Sections = w.sections(d, r, p)
	return p
}

// Ended is a text as a sentence among others.
func Ended(s string) string {
	if s == "" || strings.ContainsAny(s[len(s)-1:], ".!?") {
		return s
	}
	return s + "."
}
