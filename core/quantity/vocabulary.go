package quantity

import (
	"embed"
	"encoding/json"
	"math"
	"strings"

	"patient-kitchen/core/text"
)

//go:embed words/*.json
var wordFiles embed.FS

// vocabulary is one language's words for numbers, units and what joins them,
// as words/<language>.json gives them. A phrase is lower-case words with one
// blank between; in lists of unit spellings ~ stands for a blank inside one.
type vocabulary struct {
	Units       map[string]string     // by symbol: the spellings, also of the strict layer
	Kitchen     map[string]string     // the same for kitchen words that only a place gives a size
	Degrees     string                // words for degrees of whatever scale the field has
	Numbers     map[string]float64    // twenty
	Groups      map[string]float64    // dozen, hundred: they multiply
	Pairs       map[string]float64    // a couple: so many, about
	Fractions   map[string]float64    // half: by its denominator
	Article     []string              // one, where a unit follows
	Of          []string              // between a number in words and its unit
	And         []string              // "2 cups and 1 tbsp"
	Point       []string              // "two point five"
	Minus       []string              //
	To          []string              // joins the ends of a range
	Spans       map[string]string     // "between" … "and"
	Give        []string              // ± in words
	Per         []string              // "cm per second"
	Times       []string              // "2 times 50 mL"
	OutOf       []string              `json:"out_of"` // "3 out of 10", where a percentage is asked
	About       []string              // before the value
	AboutAfter  []string              `json:"about_after"`
	Below       []string              //
	Above       []string              //
	BelowAfter  []string              `json:"below_after"`
	AboveAfter  []string              `json:"above_after"`
	Modifiers   map[string][3]float64 // on the level volume of a powder: usual, least, most (larder D2.5)
	Leads       []string              // before a value, saying nothing about it: "it reads"
	Missing     []string              // nothing was measured
	None        []string              // zero, or not read?
	Vague       []string              // kept as words and asked
	Packets     []string              // a thing of no known size
	Against     []string              // behind a value they may turn it round, so it is not read
	BelowZero   []string              `json:"below_zero"` // behind a temperature
	Solfege     string                // the names of the notes from do
	Names       []string              // before a volume that tells a vessel: "a 500 mL bottle"
	Follows     []string              // behind a volume that is an amount: "200 mL of"
	StepsBefore []string              `json:"steps_before"` // before a difference of temperature: "by 5 °C"
	StepsAfter  []string              `json:"steps_after"`  // behind one: "5 °C warmer"
}

// vocabularies are the words of each language, by its code.
var vocabularies = func() map[string]*vocabulary {
	out := map[string]*vocabulary{}
	files, _ := wordFiles.ReadDir("words")
	for _, file := range files {
		raw, _ := wordFiles.ReadFile("words/" + file.Name())
		v := &vocabulary{}
		if err := json.Unmarshal(raw, v); err != nil {
			panic("quantity: words/" + file.Name() + ": " + err.Error())
		}
		out[strings.TrimSuffix(file.Name(), ".json")] = v
	}
	return out
}()

// phrases finds the longest phrase that words begin with.
type phrases[T any] struct {
	meaning     map[string]T
	first, last map[string]int // the most words of a phrase that begins, or ends, with a word
}

// note remembers with which words a phrase begins and ends, so that most texts
// are told apart from all phrases by one word.
func (p *phrases[T]) note(phrase string) {
	if p.meaning == nil {
		p.meaning, p.first, p.last = map[string]T{}, map[string]int{}, map[string]int{}
	}
	words := strings.Split(phrase, " ")
	first, last := words[0], words[len(words)-1]
	p.first[first], p.last[last] = max(p.first[first], len(words)), max(p.last[last], len(words))
}

func (p *phrases[T]) add(phrase string, meaning T) {
	if _, taken := p.meaning[phrase]; !taken {
		p.note(phrase)
		p.meaning[phrase] = meaning
	}
}

// at gives the meaning of the longest phrase that begins at a word, and how many
// words it took; none took 0.
func (p *phrases[T]) at(t []token) (T, int) {
	most := 0
	if len(t) > 0 {
		most = p.first[t[0].low]
	}
	for n := min(most, len(t)); n > 0; n-- {
		if m, ok := p.meaning[joined(t[:n])]; ok {
			return m, n
		}
	}
	var none T
	return none, 0
}

// before is how many of the last words are one of the phrases; a whole text is
// not its own suffix.
func (p *phrases[T]) before(t []token) int {
	if len(t) == 0 {
		return 0
	}
	for n := min(p.last[t[len(t)-1].low], len(t)-1); n > 0; n-- {
		if _, ok := p.meaning[joined(t[len(t)-n:])]; ok {
			return n
		}
	}
	return 0
}

// lexicon is what a writer of one language may use: the words of that language
// and, where they do not clash with it, those of the others.
type lexicon struct {
	units                                         phrases[[]Unit]
	degrees                                       phrases[bool]
	numbers, groups, pairs, fractions             phrases[float64]
	article, of, and, point, minus, to            phrases[bool]
	spans                                         phrases[string]
	give, per, times, outOf                       phrases[bool]
	about, aboutAfter, leads                      phrases[bool]
	bound, boundAfter                             phrases[bool] // true: below
	modifiers                                     phrases[[3]float64]
	missing, none, vague, packets, against, notes phrases[bool]
	belowZero                                     phrases[bool]
}

// lexicons are made once the units have their symbols.
var lexicons map[string]*lexicon

func makeLexicons() map[string]*lexicon {
	out := map[string]*lexicon{}
	for own, words := range vocabularies {
		l := &lexicon{}
		taken := words.spoken()
		l.learn(words, map[string]bool{})
		for other, more := range vocabularies {
			if other != own {
				l.learn(more, taken)
			}
		}
		l.learnSigns()
		out[own] = l
	}
	return out
}

// opening are the words of each language with which a quantity can begin.
var opening = func() map[string]map[string]bool {
	out := map[string]map[string]bool{}
	for language, v := range vocabularies {
		words := map[string]bool{}
		for _, m := range []map[string]float64{v.Numbers, v.Groups, v.Pairs, v.Fractions} {
			for w := range m {
				words[strings.Fields(w)[0]] = true
			}
		}
		for _, w := range v.Article {
			words[w] = true
		}
		out[language] = words
	}
	return out
}()

// lexiconOf is the lexicon of a language; of one that has none it is English.
func lexiconOf(language string) *lexicon {
	return lexicons[text.Of(language).Code]
}

// spoken are all words and phrases inside a value, which another language may
// not use in its own sense.
func (v *vocabulary) spoken() map[string]bool {
	out := map[string]bool{}
	for _, list := range [][]string{v.Article, v.Of, v.And, v.Point, v.Minus, v.To, v.Per, v.Times, v.About,
		v.AboutAfter, v.Below, v.Above, strings.Fields(v.Degrees)} {
		for _, w := range list {
			out[w] = true
		}
	}
	for _, m := range []map[string]float64{v.Numbers, v.Groups, v.Pairs, v.Fractions} {
		for w := range m {
			out[w] = true
		}
	}
	for _, units := range []map[string]string{v.Units, v.Kitchen} {
		for _, spellings := range units {
			for _, w := range strings.Fields(spellings) {
				out[strings.ReplaceAll(w, "~", " ")] = true
			}
		}
	}
	return out
}

func (l *lexicon) learn(v *vocabulary, taken map[string]bool) {
	mark := func(p *phrases[bool], list []string, m bool) {
		for _, w := range list {
			if !taken[w] {
				p.add(w, m)
			}
		}
	}
	for _, x := range []struct {
		to   *phrases[bool]
		list []string
	}{{&l.article, v.Article}, {&l.of, v.Of}, {&l.and, v.And}, {&l.point, v.Point}, {&l.minus, v.Minus}, {&l.to, v.To},
		{&l.give, v.Give}, {&l.per, v.Per},
		{&l.times, v.Times}, {&l.outOf, v.OutOf}, {&l.about, v.About}, {&l.aboutAfter, v.AboutAfter},
		{&l.leads, v.Leads},
		{&l.degrees, strings.Fields(v.Degrees)},
		{&l.missing, v.Missing}, {&l.none, v.None}, {&l.vague, v.Vague}, {&l.packets, v.Packets},
		{&l.against, v.Against}, {&l.belowZero, v.BelowZero}, {&l.notes, strings.Fields(v.Solfege)}} {
		mark(x.to, x.list, true)
	}
	mark(&l.bound, v.Below, true)
	mark(&l.bound, v.Above, false)
	mark(&l.boundAfter, v.BelowAfter, true)
	mark(&l.boundAfter, v.AboveAfter, false)
	for _, x := range []struct {
		to   *phrases[float64]
		from map[string]float64
	}{{&l.numbers, v.Numbers}, {&l.groups, v.Groups}, {&l.pairs, v.Pairs}, {&l.fractions, v.Fractions}} {
		for w, n := range x.from {
			if !taken[w] {
				x.to.add(w, n)
			}
		}
	}
	for w, joint := range v.Spans {
		if !taken[w] {
			l.spans.add(w, joint)
		}
	}
	for w, f := range v.Modifiers {
		l.modifiers.add(w, f)
	}
	for _, units := range []map[string]string{v.Units, v.Kitchen} {
		for symbol, spellings := range units {
			for _, w := range strings.Fields(spellings) {
				if w = strings.ReplaceAll(w, "~", " "); !taken[w] {
					l.units.addUnit(strings.TrimSuffix(w, "."), unitsWritten[symbol])
				}
			}
		}
	}
}

// learnSigns adds what every language writes alike.
func (l *lexicon) learnSigns() {
	for _, w := range []string{"~", "≈", "c"} {
		l.about.add(w, true)
	}
	for w, below := range map[string]bool{"<": true, "≤": true, "< =": true, "= <": true, ">": false, "≥": false,
		"> =": false, "= >": false} {
		l.bound.add(w, below)
	}
	for _, w := range []string{"±", "+ / -", "+ -", "( ±"} {
		l.give.add(w, true)
	}
	for _, w := range []string{"-", "…"} {
		l.to.add(w, true)
	}
	l.times.add("x", true)
	l.times.add("*", true)
}

func (p *phrases[T]) addUnit(phrase string, u Unit) {
	p.note(phrase)
	units := any(p).(*phrases[[]Unit])
	units.meaning[phrase] = append(units.meaning[phrase], u)
}

// fieldSymbols are signs that mean another unit in one kind of field, whatever
// the language; capitals matter.
var fieldSymbols = map[Dim]map[string]string{
	Volume: {"T": "tbsp", "Tb": "tbsp", "Tbs": "tbsp", "Tbsp": "tbsp", "Tbl": "tbsp", "tbl": "tbsp", "tbs": "tbsp",
		"t": "tsp", "ts": "tsp", "c": "cup", "C": "cup"},
	Time:        {"m": "min", "'": "min", "\"": "s"},
	Temperature: {"c": "°C", "C": "°C", "f": "°F", "F": "°F"},
}

// inSystem names the unit that a bare kitchen word means in each system;
// larder D2.2. What is not listed is the same everywhere.
var inSystem = map[System]map[string]string{
	Metric: {"tsp": "metric tsp", "tbsp": "metric tbsp", "cup": "metric cup"},
	UK:     {"tsp": "metric tsp", "tbsp": "metric tbsp", "cup": "metric cup", "fl oz": "UK fl oz", "pt": "UK pt"},
	AU:     {"tsp": "metric tsp", "tbsp": "AU tbsp", "cup": "metric cup"},
}

// notePitch is the frequency of a note by its letter (a to g), its accidental
// in semitones and its octave, in equal temperament with A4 at 440 Hz
// (ISO 16:1975).
func notePitch(letter byte, accidental, octave int) float64 {
	semitones := map[byte]int{'c': -9, 'd': -7, 'e': -5, 'f': -4, 'g': -2, 'a': 0, 'b': 2}[letter]
	return 440 * math.Pow(2, float64(semitones+accidental)/12+float64(octave-4))
}
