package sentence

import (
	"embed"
	"maps"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// RevisionKind is what an answer does to the step.
type RevisionKind string

// The changes, with the field of [Revision] that each needs.
const (
	Rewrite  RevisionKind = "rewrite" // the words from From to To become Value
	Warm     RevisionKind = "warm"    // the hottest thing handled is Value
	Plain    RevisionKind = "plain"   // the words Value mean nothing more
	Split    RevisionKind = "split"   // the step becomes two, at From; at 0 behind its first sentence
	Join     RevisionKind = "join"    // the step and the one behind it become one
	Choose   RevisionKind = "choose"  // the need Value is the larder's Thing
	Parts    RevisionKind = "parts"   // what Thing lists are the zones, options or words of the reading Value
	Everyday RevisionKind = "object"  // the need Value is an everyday thing with nothing in it that could hurt
)

// Revision is what an answer to a question does.
type Revision struct {
	Kind  RevisionKind `json:"kind" enum:"rewrite,warm,plain,split,join,choose,parts,object"`
	From  int          `json:"from,omitempty" doc:"Code points of the text"`
	To    int          `json:"to,omitempty"`
	Value string       `json:"value,omitempty"`
	Thing string       `json:"thing,omitempty" doc:"Id of a thing of the larder; of parts the list, with commas between"`
}

// Answer is one way to answer a question.
type Answer struct {
	Words  text.Message
	Change Revision
}

// Question is something that the words leave open.
type Question struct {
	From, To int // of the words that it is about
	Words    text.Message
	Answers  []Answer
	Field    *Revision // what a typed answer does, with {} for what was typed; nil for none
}

// hole stands in a change for what the teacher types.
const hole = "{}"

// Ask lists what the text of a step, by its place, leaves open in a language, in the order of its words:
// bare times, stuff without an amount, how warm "warm" is, a wait in the middle, and
// what a thing is that nobody knows.
func (b *Book) Ask(i int, language string) []Question {
	d := b.d
	s := &d.Steps[i]
	v := vocabularies[text.Of(language).Code]
	if v == nil {
		return nil
	}
	a := &asker{d: d, s: s, v: v, lang: language, larder: b.world.Larder, pieces: b.Pieces(i, language)}
	for k, p := range a.pieces {
		switch p.Kind {
		case Wait:
			a.wait(k, p)
		case Thing, Vessel:
			a.warmth(p)
			a.howMuch(k, p)
			a.what(p)
		case Reading:
			a.parts(p)
		case Times:
			if len(p.Values) == 0 {
				a.add(p, text.M("sentence.ask.until-when", "words", p.Words))
			}
		}
	}
	return a.out
}

type asker struct {
	d      *design.Document
	s      *design.Step
	v      *vocabulary
	lang   string
	larder *larder.Larder
	pieces []Piece
	out    []Question
}

func (a *asker) add(p Piece, words text.Message, answers ...Answer) *Question {
	answers = append(answers, Answer{text.M("sentence.answer.only-words"),
		Revision{Kind: Plain, Value: strings.ToLower(p.Words)}})
	a.out = append(a.out, Question{From: p.From, To: p.To, Words: words, Answers: answers})
	return &a.out[len(a.out)-1]
}

func (a *asker) wait(k int, p Piece) {
	if _, timed := design.Seconds(p.Value); !timed {
		var answers []Answer
		for _, unit := range []string{"min", "s", "h"} {
			answers = append(answers, Answer{
				text.M("sentence.answer.so-long", "value", quantity.New(number(p.Value), unit)),
				Revision{Kind: Rewrite, From: p.At, To: p.To, Value: p.Value + " " + unit},
			})
		}
		a.add(p, text.M("sentence.ask.unit", "value", p.Value), answers...)
		return
	}
	before, behind := around(a.pieces, k)
	looked := slices.ContainsFunc(a.pieces, func(q Piece) bool {
		return q.Kind == Times && len(q.Values) > 0 && q.From > p.From
	})
	if before && behind && !p.Leads && !looked {
		a.add(p, text.M("sentence.ask.split", "words", p.Words), Answer{
			text.M("sentence.answer.split"), Revision{Kind: Split, From: p.From},
		})
	}
}

func number(s string) float64 {
	v, _ := strconv.ParseFloat(s, 64)
	return v
}

// warmth asks how warm something is that is only called so.
func (a *asker) warmth(p Piece) {
	if a.s.Heat != "" || slices.ContainsFunc(a.pieces, func(q Piece) bool {
		v, ok := quantity.ParseOK(q.Value)
		return q.Kind == Amount && ok && v.Unit.Dim == quantity.Temperature
	}) {
		return
	}
	for _, w := range strings.Fields(fold(p.Words)) {
		offers, asked := a.v.Warmths[w]
		if !asked {
			continue
		}
		var answers []Answer
		for _, value := range strings.Split(offers, ", ") {
			v, _ := quantity.ParseOK(value)
			answers = append(answers, Answer{text.M("sentence.answer.about", "value", v.Quantity),
				Revision{Kind: Warm, Value: value}})
		}
		q := a.add(p, text.M("sentence.ask.warm", "word", w), answers...)
		q.Field = &Revision{Kind: Warm, Value: hole}
		return
	}
}

// howMuch asks for the amount of stuff that is added and of which none is said.
func (a *asker) howMuch(k int, p Piece) {
	asks := slices.ContainsFunc(a.pieces[:k], func(q Piece) bool { return q.Kind == Act && acts[q.ID].Asks })
	said := slices.ContainsFunc(a.pieces, func(q Piece) bool { return q.Kind == Amount && q.Of == k })
	m, known := a.larder.Material(p.ID)
	if !asks || said || p.Kind != Thing || !known || !m.Is("matter", "stuff") || bare(p.Words, a.lang) != p.Words {
		return
	}
	if a.planned(p) || a.spokenOf(p) {
		return
	}
	offers := []string{"1 tsp", "1 tbsp", "10 g"}
	if m.Liquid() {
		offers = []string{"50 mL", "100 mL", "200 mL"}
	}
	var answers []Answer
	insert := func(words string) Revision {
		return Revision{Kind: Rewrite, From: p.From, To: p.From, Value: words + " " + a.of() + " "}
	}
	for _, value := range offers {
		v, _ := quantity.ParseOK(value)
		answers = append(answers, Answer{text.M("sentence.answer.so-much", "value", v.Bare()), insert(v.Show(a.lang))})
	}
	q := a.add(p, text.M("sentence.ask.how-much", "thing", p.Words), answers...)
	field := insert(hole)
	q.Field = &field
}

// planned reports whether a need already says how much there is of a thing.
func (a *asker) planned(p Piece) bool {
	return slices.ContainsFunc(a.d.Needs, func(n design.Need) bool {
		return n.Amount != "" && (n.ID == p.Need || n.Material == p.ID)
	})
}

// spokenOf reports whether a thing was spoken of before: "the sugar".
func (a *asker) spokenOf(p Piece) bool {
	runes := []rune(a.s.Text[a.lang])
	if p.From <= 0 || p.From > len(runes) {
		return false
	}
	front := strings.Fields(fold(string(runes[:p.From])))
	return len(front) > 0 && a.v.sets["dets"][front[len(front)-1]]
}

// of is the word that joins an amount to its thing.
func (a *asker) of() string {
	of, _, _ := strings.Cut(a.v.Of, ",")
	return of
}

// parts asks what a reading is divided into, where only people can say: the zones where
// things are counted, the words to choose from, the options.
func (a *asker) parts(p Piece) {
	t := &taker{d: a.d, lang: a.lang}
	t.at, _ = a.d.Step(a.s.ID)
	r, ok := t.readingOf(p)
	if !ok {
		return
	}
	id := ""
	switch r.Sort() {
	case design.ZonesKind:
		if len(r.Zones) < 2 {
			id = "zones"
		}
	case design.WordsKind:
		if len(r.Senses) == 0 {
			id = "words"
		}
	case design.ChoiceKind, design.SeveralKind:
		if len(r.Options) < 2 {
			id = "options"
		}
	}
	if id != "" {
		q := a.add(p, text.M("sentence.ask."+id))
		q.Field = &Revision{Kind: Parts, Value: r.ID, Thing: hole}
	}
}

// what asks what a thing is that neither the larder nor the teacher has said anything of.
func (a *asker) what(p Piece) {
	if p.ID != "" {
		return
	}
	for _, n := range a.d.Needs {
		if n.Kind == "" && n.Material == "" && (n.ID == p.Need || fold(n.Name[a.lang]) == fold(bare(p.Words, a.lang))) {
			words, answers := text.M("sentence.ask.what", "thing", n.Name), []Answer{}
			if w := a.larder.Word(bare(p.Words, a.lang)); w != nil {
				words = text.M("sentence.ask.which", "why", w.Why)
				for _, id := range w.Choices {
					if m, ok := a.larder.Material(id); ok && !m.Refused {
						answers = append(answers, Answer{text.M("sentence.answer.thing", "name", m.Name),
							Revision{Kind: Choose, Value: n.ID, Thing: id}})
					}
				}
			}
			a.add(p, words,
				append(answers, Answer{text.M("sentence.answer.object"), Revision{Kind: Everyday, Value: n.ID}})...)
			return
		}
	}
}

// parts gives a reading what a list names: its zones, words or options.
func parts(d *design.Document, reading, language, list string) bool {
	d.Readings = slices.Clone(d.Readings)
	r, ok := d.Reading(reading)
	v := vocabularies[text.Of(language).Code]
	if !ok || v == nil {
		return false
	}
	var ids []string
	taken := func(id string) bool { return slices.Contains(ids, id) }
	for _, word := range divided(v, list) {
		ids = append(ids, fresh(word, "part", taken))
		choice := design.Choice{ID: ids[len(ids)-1], Word: text.Localized{language: word}}
		switch r.Sort() {
		case design.ZonesKind:
			r.Zones = append(slices.Clone(r.Zones), design.Zone{ID: choice.ID, Word: choice.Word})
		case design.WordsKind:
			senses := map[design.Sense][]design.Choice{}
			maps.Copy(senses, r.Senses)
			senses["looks"] = append(slices.Clone(senses["looks"]), choice)
			r.Senses = senses
		default:
			r.Options = append(slices.Clone(r.Options), choice)
		}
	}
	return len(ids) > 0
}

// split makes two steps of one, at a place in its text. The second takes what its words
// say; what was set by hand stays with the first.
func split(d *design.Document, i int, language string, runes []rune, at int) {
	was := string(runes)
	first := strings.TrimRight(string(runes[:at]), " ,;")
	v := vocabularies[text.Of(language).Code]
	for and := range v.sets["and"] { // "pour it in and" ends before the "and"
		if cut, ok := strings.CutSuffix(first, " "+and); ok {
			first = strings.TrimRight(cut, " ,;")
		}
	}
	if last := []rune(first); len(last) > 0 && !strings.ContainsRune(".!?", last[len(last)-1]) {
		first += "."
	}
	second := []rune(strings.TrimSpace(string(runes[at:])))
	if len(second) > 0 {
		second[0] = []rune(strings.ToUpper(string(second[0])))[0]
	}
	taken := func(id string) bool { _, ok := d.Step(id); return ok }
	next := design.Step{ID: fresh("step", "step", taken), Text: text.Localized{language: string(second)},
		Title: text.Localized{}, Gate: d.Steps[i].Gate} // a gate stands behind both
	d.InsertStep(i+1, next)
	d.Steps[i].Gate = false
	d.Steps[i].Text = with(d.Steps[i].Text, language, first)
	Take(d, d.Steps[i].ID, was, language)
	Take(d, next.ID, "", language)
}

// Understood is what a piece was taken for, where its words do not say it as it is.
func (p Piece) Understood(d *design.Document) text.Message {
	switch p.Kind {
	case Thing, Vessel:
		if n, ok := d.Need(p.Need); ok && n.Material == "" {
			return text.M("sentence.answer.thing", "name", n.Name)
		}
		if m, ok := d.Larder().Material(p.ID); ok {
			return text.M("sentence.answer.thing", "name", m.Name)
		}
	case Wait, Hands, Limit, Amount:
		if q, ok := quantity.ParseOK(p.Value); ok && q.Unit.Symbol != quantity.One.Symbol {
			return text.M("sentence.answer.so-much", "value", q.Bare())
		}
	case Reading:
		if p.Sort == design.QuantityKind && p.Unit == "" {
			return text.M("sentence.sort.measured")
		}
		return text.M("sentence.sort."+string(p.Sort), "unit", p.Unit)
	case Times:
		if len(p.Values) > 0 {
			return text.M("sentence.times", "n", len(p.Values), "first", p.Values[0], "last", p.Values[len(p.Values)-1])
		}
	}
	return text.Raw("")
}
