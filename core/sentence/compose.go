package sentence

import (
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// nouns are what is measured, by language.
var nouns = load[[]text.Localized]("nouns.json")

// Compose says a step's text in another language, where it is one of the common
// sentences: acts with amounts, things and a vessel, a wait, one plain reading. It
// reports false for everything that says more, which people write themselves.
func Compose(d *design.Document, step, from, to string) (string, bool) {
	i, ok := d.Step(step)
	v := vocabularies[text.Of(to).Code]
	if !ok || v == nil || text.Of(from).Code == text.Of(to).Code {
		return "", false
	}
	s := &d.Steps[i]
	pieces := Meant(Of(d), s.Text[from], from, s.Plain)
	if len(pieces) == 0 || !covered(s.Text[from], pieces, from) {
		return "", false
	}
	c := &composer{d: d, v: v, from: from, to: to, lang: text.Of(to).Code, pieces: pieces}
	var clauses []string
	for k := range pieces {
		clause, fine := c.clause(k)
		if !fine {
			return "", false
		}
		if clause != "" {
			clauses = append(clauses, clause)
		}
	}
	if len(clauses) == 0 {
		return "", false
	}
	out := clauses[0]
	for _, clause := range clauses[1:] {
		r := []rune(clause)
		out += ", " + strings.ToLower(string(r[0])) + string(r[1:])
	}
	return out + ".", true
}

// covered reports whether every word of a text is in a piece or only joins others.
func covered(words string, pieces []Piece, language string) bool {
	lang := text.Of(language).Code
	r := &reader{v: vocabularies[lang], lang: lang, text: words, t: tokens(words)}
	for i, t := range r.t {
		at := len([]rune(words[:t.from]))
		if !t.ends() && !r.joins(i) && !slices.ContainsFunc(pieces, func(p Piece) bool {
			return p.From <= at && at < p.To
		}) {
			return false
		}
	}
	return true
}

type composer struct {
	d              *design.Document
	v              *vocabulary
	from, to, lang string
	pieces         []Piece
}

// clause says what begins with a piece; "" for one that belongs to another. It reports
// false where it has no words for it.
func (c *composer) clause(k int) (string, bool) {
	switch p := c.pieces[k]; p.Kind {
	case Act:
		return c.act(k)
	case Wait:
		q, ok := quantity.ParseOK(p.Value)
		if before, _ := around(c.pieces, k); before || !ok || p.Leads {
			return "", false
		}
		return c.v.Spoken["wait"] + " " + q.Show(c.to), true
	case Reading:
		name := fold(bare(p.Name, c.from))
		for _, n := range nouns {
			if p.Sort == design.QuantityKind && fold(n[text.Of(c.from).Code]) == name {
				return c.v.Spoken["measure"] + " " + c.article(n[c.lang]) + n[c.lang], true
			}
		}
		return "", false
	case Amount, Thing, Vessel:
		return "", slices.ContainsFunc(c.pieces[:k], func(q Piece) bool { return q.Kind == Act })
	default:
		return "", false
	}
}

// act says an act with its objects: what stands between it and the next act.
func (c *composer) act(k int) (string, bool) {
	verb := c.v.Spoken[c.pieces[k].ID]
	if verb == "" {
		return "", false
	}
	var objects []string
	vessel := ""
	for n := k + 1; n < len(c.pieces) && c.pieces[n].Kind != Act && c.pieces[n].Kind != Reading; n++ {
		p := c.pieces[n]
		name, known := c.name(p)
		switch p.Kind {
		case Amount:
			if q, ok := quantity.ParseOK(p.Value); !ok || p.Of < 0 || q.Unit.Symbol == quantity.One.Symbol {
				return "", false
			}
		case Thing:
			if !known || vessel != "" {
				return "", false
			}
			objects = append(objects, c.object(n, name))
		case Vessel:
			if !known {
				return "", false
			}
			vessel = " " + c.v.Spoken["into"] + " " + c.article(name) + name
		}
	}
	out := strings.TrimSpace(verb + " " + strings.Join(objects, " "+c.v.Spoken["and"]+" "))
	return out + vessel, true
}

// object says how much of a thing.
func (c *composer) object(k int, name string) string {
	for _, p := range c.pieces {
		if q, ok := quantity.ParseOK(p.Value); p.Kind == Amount && p.Of == k && ok {
			return q.Show(c.to) + " " + c.v.Spoken["of"] + " " + name
		}
	}
	return c.article(name) + name
}

// name is a thing in the other language: the need's, or the larder's.
func (c *composer) name(p Piece) (string, bool) {
	if n, ok := c.d.Need(p.Need); ok && n.Name[c.to] != "" {
		name, _, _ := strings.Cut(n.Name[c.to], ",")
		return bare(name, c.lang), true
	}
	if m, ok := c.d.Larder().Material(p.ID); ok && m.Name[c.lang] != "" {
		name, _, _ := strings.Cut(m.Name[c.lang], ",") // "rice, dry"
		return name, true
	}
	return "", false
}

// article is what stands before a name, with the blank behind it: by the longest ending of
// its first word that the language's list has.
func (c *composer) article(name string) string {
	first, _, _ := strings.Cut(fold(name), " ")
	one := strings.TrimSuffix(first, "s")
	ending := ""
	for e := range c.v.Articles {
		if strings.HasSuffix(one, e) && len(e) > len(ending) {
			ending = e
		}
	}
	single, many, _ := strings.Cut(c.v.Articles[ending], " ")
	if first != one && many != "" {
		return many + " "
	}
	return single + " "
}

// Difference is what one language of a step says otherwise than another.
type Difference struct {
	Step     int
	Language string // whose text is to be looked at
	Care     bool   // it is about who must be near
	Words    text.Message
	Mend     *Revision // puts the value of the other text in; nil where it cannot be done so
}

// Differences compares what the texts of a design's steps say in its languages: amounts,
// waits, and whether an adult is asked for. The first language of the design that a step
// is written in is held to be right.
func (b *Book) Differences() []Difference {
	d := b.d
	var out []Difference
	for i, s := range d.Steps {
		first := ""
		var says []Piece
		for _, lang := range d.Languages {
			words := strings.TrimSpace(s.Text[lang])
			switch {
			case words == "" || vocabularies[text.Of(lang).Code] == nil:
			case first == "":
				first, says = lang, b.Pieces(i, lang)
			default:
				out = append(out, differences(i, lang, says, b.Pieces(i, lang))...)
			}
		}
	}
	return out
}

func differences(step int, lang string, first, second []Piece) []Difference {
	var out []Difference
	adult := func(all []Piece) int {
		return slices.IndexFunc(all, func(p Piece) bool { return p.Kind == Who && p.ID == "adult" })
	}
	if k := adult(first); k >= 0 && adult(second) < 0 {
		out = append(out, Difference{
			Step: step, Language: lang, Care: true,
			Words: text.M("sentence.differs.missing", "n", step+1, "language", text.Of(lang).Names, "words",
				first[k].Words),
		})
	}
	lone, rest := values(first), values(second)
	for _, p := range slices.Clone(lone) {
		if at := slices.IndexFunc(rest, func(q Piece) bool { return alike(p, q) }); at >= 0 {
			rest = slices.Delete(rest, at, at+1)
			lone = slices.DeleteFunc(lone, func(q Piece) bool { return q.From == p.From })
		}
	}
	for _, p := range lone {
		a, _ := quantity.ParseOK(p.Value)
		at := slices.IndexFunc(rest, func(q Piece) bool {
			b, ok := quantity.ParseOK(q.Value)
			return ok && b.Unit.Dim == a.Unit.Dim && q.Kind == p.Kind
		})
		if at < 0 {
			out = append(out, Difference{
				Step: step, Language: lang,
				Words: text.M("sentence.differs.missing", "n", step+1, "language", text.Of(lang).Names, "words",
					p.Words),
			})
			continue
		}
		b, _ := quantity.ParseOK(rest[at].Value)
		out = append(out, Difference{
			Step: step, Language: lang,
			Words: text.M("sentence.differs.other", "n", step+1, "value", a.Bare(), "other", b.Bare()),
			Mend:  &Revision{Kind: Rewrite, From: rest[at].At, To: rest[at].To, Value: a.Show(lang)},
		})
		rest = slices.Delete(rest, at, at+1)
	}
	return out
}

// values are the pieces that have a quantity with a unit.
func values(all []Piece) []Piece {
	var out []Piece
	for _, p := range all {
		q, ok := quantity.ParseOK(p.Value)
		if ok && q.Unit.Symbol != quantity.One.Symbol && (p.Kind == Amount || p.Kind == Wait) {
			out = append(out, p)
		}
	}
	return out
}

// alike reports whether two pieces say the same size, as far as kitchen measures of two
// countries agree.
func alike(p, q Piece) bool {
	a, okA := quantity.ParseOK(p.Value)
	b, okB := quantity.ParseOK(q.Value)
	d := a.SI() - b.SI()
	return okA && okB && p.Kind == q.Kind && a.Unit.Dim == b.Unit.Dim && max(d, -d) <= 0.02*max(a.SI(), b.SI(), -a.SI())
}
