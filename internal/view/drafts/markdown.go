package drafts

import (
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/review"
	"patient-kitchen/core/text"
)

// Markdown writes a design as a text for reading, in one language: what it asks, what is
// compared, what is needed, the steps with their times, what is measured and what it will
// be held against. It is not read again; the open file is.
func Markdown(d *design.Document, language string) string {
	m := &markdown{d: d, r: review.Of(d), language: language}
	strip := ViewStrip(d, m.r, language)
	m.line("# %s", m.say(d.Title))
	m.line("%s", m.say(d.Question))
	m.line("%s", m.word("markdown.for", "ages", string(d.AgeBand), "total", strip.Total, "hands", strip.Hands))
	m.line("%s", m.say(d.Teaching.Aim))
	m.line("%s", m.say(d.Background))
	if len(d.Conditions) > 0 {
		m.head("markdown.compared")
		m.line("%s", m.say(d.Changed.Name))
		for _, l := range strip.Lanes {
			m.item(joined(" – ", plain.Replace(l.Name), plain.Replace(l.Differs)))
		}
	}
	m.variables()
	if len(strip.Shelf) > 0 {
		m.head("markdown.needed")
		for _, j := range strip.Shelf {
			m.item(joined(" – ", plain.Replace(j.Name), j.Amount))
		}
	}
	m.head("markdown.steps")
	for i, b := range strip.Blocks {
		m.step(i, b)
	}
	if len(d.Readings) > 0 {
		m.head("markdown.measured")
		for i := range d.Readings {
			r := &d.Readings[i]
			unit := ""
			if u, ok := quantity.LookupUnit(r.Unit); ok && r.Numeric() {
				unit = u.Label()
			}
			m.item(joined(", ", m.say(r.Name), unit, strings.Join(r.Times, ", ")))
		}
	}
	if planned := compare.Plan(d); len(planned) > 0 {
		m.head("markdown.claims")
		for _, p := range planned {
			m.item(text.Render(p.Words, language))
		}
	}
	m.head("markdown.reach")
	for _, words := range review.Reach(d) {
		m.item(text.Render(words, language))
	}
	m.teaching(&d.Teaching)
	return strings.TrimSpace(m.out.String()) + "\n"
}

// variables are a table of what is changed, measured and kept the same, in the words of the
// field; what the plan does not say has no row.
func (m *markdown) variables() {
	names := func(list ...design.Variable) string {
		var out []string
		for _, v := range list {
			out = append(out, strings.ReplaceAll(m.say(v.Name), "|", `\|`))
		}
		return joined("; ", out...)
	}
	rows := [][2]string{
		{"markdown.independent", names(m.d.Changed)},
		{"markdown.dependent", names(m.d.Measured...)},
		{"markdown.controlled", names(m.d.Kept...)},
	}
	rows = slices.DeleteFunc(rows, func(r [2]string) bool { return r[1] == "" })
	if len(rows) == 0 {
		return
	}
	m.head("markdown.variables")
	fmt.Fprintf(&m.out, "| %s | %s |\n|---|---|\n", m.word("markdown.kind-of-variable"), m.word("markdown.which"))
	for _, r := range rows {
		fmt.Fprintf(&m.out, "| %s | %s |\n", m.word(r[0]), r[1])
	}
}

// teaching writes what stands around the experiment.
func (m *markdown) teaching(t *design.Teaching) {
	if len(t.Vocabulary) > 0 {
		m.head("markdown.words")
		for _, w := range t.Vocabulary {
			m.item(joined(": ", m.say(w.Word), m.say(w.Means)))
		}
	}
	if e, x := m.say(t.Explanation), m.say(t.Extension); e+x != "" {
		m.head("markdown.why")
		m.line("%s", e)
		m.line("%s", x)
	}
	if len(t.Misconceptions) > 0 {
		m.head("markdown.thought")
		for _, x := range t.Misconceptions {
			m.item(joined(" → ", m.say(x.Thought), m.say(x.So)))
		}
	}
	if len(t.Sources) > 0 {
		m.head("markdown.sources")
		for _, s := range t.Sources {
			m.item(plain.Replace(s.Text))
		}
	}
}

type markdown struct {
	d        *design.Document
	r        review.Review
	language string
	out      strings.Builder
}

// plain keeps what people wrote from being read as marks.
var plain = strings.NewReplacer(`\`, `\\`, "`", "\\`", "*", `\*`, "_", `\_`, "#", `\#`, "[", `\[`, "]", `\]`, "<",
	"&lt;", ">", "&gt;", "\n", " ")

func (m *markdown) say(l text.Localized) string {
	words, _ := l.In(m.language)
	return plain.Replace(strings.TrimSpace(words))
}

func (m *markdown) word(id string, pairs ...any) string {
	return text.Render(text.M(id, pairs...), m.language)
}

func (m *markdown) line(format, words string) {
	if words != "" {
		fmt.Fprintf(&m.out, format+"\n\n", words)
	}
}

func (m *markdown) head(id string) { fmt.Fprintf(&m.out, "\n## %s\n\n", m.word(id)) }

func (m *markdown) item(words string) {
	if words != "" {
		fmt.Fprintf(&m.out, "- %s\n", words)
	}
}

func (m *markdown) step(i int, b BlockView) {
	s := &m.d.Steps[i]
	facts := joined(", ", b.Hands, b.Waits)
	if b.Waits != "" {
		facts = joined(", ", m.word("markdown.after", "wait", b.Waits), b.Hands)
	}
	if b.Job != "" {
		facts = joined(", ", facts, m.word("markdown.adult-"+b.Job))
	}
	fmt.Fprintf(&m.out, "%d. **%s** (%s)  \n", i+1, plain.Replace(b.Title), facts)
	for _, words := range []string{m.say(s.Text), m.say(s.See), m.say(s.Meanwhile)} {
		if words != "" {
			fmt.Fprintf(&m.out, "   %s\n", words)
		}
	}
	for _, p := range b.Pegs {
		fmt.Fprintf(&m.out, "   - %s\n", plain.Replace(p.Words))
	}
	if b.Gate {
		fmt.Fprintf(&m.out, "   - %s\n", m.word("markdown.gate"))
	}
}

// joined are the parts that are there, with a sign between.
func joined(sign string, parts ...string) string {
	var out []string
	for _, p := range parts {
		if p != "" {
			out = append(out, p)
		}
	}
	return strings.Join(out, sign)
}
