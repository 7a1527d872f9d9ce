package lexicon

import (
	"embed"
	"encoding/json"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/text"
)

// Level is how sure a hit is.
type Level int

// A hit asks, or is almost sure: then ticking is offered.
const (
	Silent Level = iota
	Ask
	Tick
)

// Concept is one thing that a text may say.
type Concept struct {
	ID      string
	Thing   bool     // else an action
	Leads   []string // what it may be: an action, +thing of the larder, =rule
	Settled []string // actions that answer it; "listed" and things as well
	Asks    text.Localized
	place   int
}

// pattern is a row of elements in one language.
type pattern struct {
	concept  *Concept
	level    Level // Silent for a decoy
	elements []element
	anchor   int
}

// element is one place in a pattern: one of some alternatives, each one or more
// words in a row, after a gap or at once.
type element struct {
	gap  bool
	stop bool
	alts [][]part
}

// part is one word of an alternative.
type part struct {
	words  map[string]bool
	prefix string
	number bool
	above  float64
}

//go:embed data
var files embed.FS

var (
	concepts []*Concept
	patterns = map[string][]*pattern{}            // by language
	first    = map[string]map[string][]*pattern{} // by language and first word
	anywhere = map[string][]*pattern{}            // those that begin with no plain word
)

// Concepts lists every concept, in the order of the records.
func Concepts() []*Concept { return concepts }

func init() {
	raw, err := files.ReadFile("data/records.lex")
	if err != nil {
		panic(err)
	}
	var questions map[string]text.Localized
	asked, err := files.ReadFile("data/questions.json")
	if err == nil {
		err = json.Unmarshal(asked, &questions)
	}
	if err == nil {
		err = parse(string(raw), questions)
	}
	if err != nil {
		panic(fmt.Sprintf("lexicon: %v", err))
	}
}

// parse reads the records. A line is a class (@), a concept, or patterns of a
// concept in a language at a level.
func parse(raw string, questions map[string]text.Localized) error {
	classes := map[string]string{}
	var c *Concept
	for n, line := range strings.Split(raw, "\n") {
		line = strings.TrimRight(line, " ")
		switch {
		case strings.TrimSpace(line) == "" || strings.HasPrefix(line, "#"):
		case strings.HasPrefix(line, "@"):
			name, body, ok := strings.Cut(line[1:], " = ")
			if !ok {
				return fmt.Errorf("line %d: a class is written @name lang = words", n+1)
			}
			classes[name] = body
		case strings.HasPrefix(line, " "):
			head, body, ok := strings.Cut(strings.TrimSpace(line), " ")
			level, known := map[string]Level{"!": Tick, "?": Ask, "-": Silent}[head[len(head)-1:]]
			lang := head[:len(head)-1]
			if c == nil || !ok || !known || !slices.Contains(text.Languages, lang) {
				return fmt.Errorf("line %d: patterns are written en! words", n+1)
			}
			for _, words := range strings.Split(body, ", ") {
				p, err := compile(strings.TrimSpace(words), lang, classes)
				if err != nil {
					return fmt.Errorf("line %d: %q: %w", n+1, words, err)
				}
				p.concept, p.level = c, level
				index(p, lang)
			}
		default:
			fields := strings.Split(line, " : ")
			if len(fields) != 4 {
				return fmt.Errorf("line %d: a concept is written name : kind : leads to : settled by", n+1)
			}
			c = &Concept{
				ID:      fields[0],
				Thing:   fields[1] == "t",
				Leads:   starless(fields[2]),
				Settled: starless(fields[3]),
				Asks:    questions[fields[0]],
				place:   len(concepts),
			}
			concepts = append(concepts, c)
			if c.Asks == nil {
				return fmt.Errorf("line %d: %s has no question", n+1, c.ID)
			}
		}
	}
	return nil
}

func starless(s string) []string {
	out := strings.Fields(s)
	for i, w := range out {
		out[i] = strings.TrimSuffix(w, "*")
	}
	return out
}

func compile(s, lang string, classes map[string]string) (*pattern, error) {
	p := &pattern{}
	gap := false
	for _, w := range strings.Fields(s) {
		switch {
		case w == "..":
			gap = true
			continue
		case w == "$stop" || w == "$stop^":
			p.elements = append(p.elements, element{stop: true})
			continue
		}
		if strings.HasSuffix(w, "^") {
			w, p.anchor = strings.TrimSuffix(w, "^"), len(p.elements)
		}
		e := element{gap: gap}
		gap = false
		for _, alt := range strings.Split(expand(w, lang, classes), "/") {
			var parts []part
			for _, word := range strings.Split(alt, "_") {
				one, err := onePart(word, lang)
				if err != nil {
					return nil, err
				}
				parts = append(parts, one)
			}
			e.alts = append(e.alts, parts)
		}
		p.elements = append(p.elements, e)
	}
	if len(p.elements) == 0 || p.elements[0].stop {
		return nil, fmt.Errorf("begins with no word")
	}
	return p, nil
}

// expand puts the words of classes in place of their names.
func expand(w, lang string, classes map[string]string) string {
	var out []string
	for _, alt := range strings.Split(w, "/") {
		if name, ok := strings.CutPrefix(alt, "$"); ok {
			alt = classes[name+" "+lang]
		}
		out = append(out, alt)
	}
	return strings.Join(out, "/")
}

// made are the words compiled so far: most stand in many patterns.
var made = map[string]part{}

func onePart(w, lang string) (part, error) {
	w = strings.ToLower(w)
	if p, ok := made[lang+w]; ok {
		return p, nil
	}
	p, err := newPart(w, lang)
	made[lang+w] = p
	return p, err
}

func newPart(w, lang string) (part, error) {
	if strings.HasPrefix(w, "#") {
		p := part{number: true}
		if above, ok := strings.CutPrefix(w, "#>"); ok {
			v, err := strconv.ParseFloat(above, 64)
			if err != nil {
				return p, err
			}
			p.above = v
		}
		return p, nil
	}
	if stem, ok := strings.CutSuffix(w, "*"); ok {
		return part{prefix: stem}, nil
	}
	forms := []string{w}
	if plain, kind, ok := strings.Cut(w, "."); ok {
		in, ok := grammars[cuesOf(lang).Grammar].forms[kind]
		if !ok {
			return part{}, fmt.Errorf("no form is called %q", kind)
		}
		forms = in(plain)
	}
	p := part{words: map[string]bool{}}
	for _, f := range forms {
		if f == "" {
			return p, fmt.Errorf("an empty word")
		}
		p.words[f] = true
	}
	return p, nil
}

// index keeps a pattern under every word that it can begin with.
func index(p *pattern, lang string) {
	patterns[lang] = append(patterns[lang], p)
	if first[lang] == nil {
		first[lang] = map[string][]*pattern{}
	}
	loose := false
	for _, alt := range p.elements[0].alts {
		if alt[0].words == nil {
			loose = true
			continue
		}
		for w := range alt[0].words {
			first[lang][w] = append(first[lang][w], p)
		}
	}
	if loose {
		anywhere[lang] = append(anywhere[lang], p)
	}
}

func (p part) matches(t token) bool {
	switch {
	case p.number:
		return t.number != nil && (p.above == 0 || *t.number > p.above)
	case p.prefix != "":
		return strings.HasPrefix(t.word, p.prefix)
	}
	return p.words[t.word]
}
