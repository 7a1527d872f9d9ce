package quantity

import (
	"fmt"
	"math"
	"strconv"
	"strings"

	"patient-kitchen/core/text"
)

// System is the set of kitchen measures a class uses; it decides what "cup",
// "tablespoon" and "fl oz" mean.
type System string

// The systems of larder D2: US measures; metric 5/15/250 mL spoons and cups;
// UK, as metric with imperial fluid ounces and pints; AU, with a 20 mL
// tablespoon.
const (
	US     System = "us"
	Metric System = "metric"
	UK     System = "uk"
	AU     System = "au"
)

// Field says where a text was typed: what is asked, the unit shown beside the
// field, and the writer's language and measures.
type Field struct {
	Dim      Dim
	Unit     string // shown beside the field and taken when none is typed
	Language string // decides the decimal sign and whose words come first
	System   System
	Room     bool // the temperature of a room: what is above 60 is in °F where those are used
}

// FieldFor is the field of a unit; it fails for what is no unit.
func FieldFor(unit, language string, system System) (Field, bool) {
	u, ok := LookupUnit(unit)
	return Field{Dim: u.Dim, Unit: unit, Language: language, System: system}, ok
}

func (f Field) unit() Unit {
	if u, ok := LookupUnit(f.Unit); ok {
		return u
	}
	return Canonical(f.Dim)
}

// Kind is what a typed text turned out to be.
type Kind string

// A text is a value, a bound ("<1 g"), a question to the writer, "not
// recorded", or a text kept for the teacher to read.
const (
	Value    Kind = "value"
	Bound    Kind = "bound"
	Question Kind = "question"
	Missing  Kind = "missing"
	Unread   Kind = "unread"
)

// Typed is a typed text as understood. Text is always what was typed.
type Typed struct {
	Text string
	Kind Kind
	Parsed
	Portions    int      // "2 x 50 mL": 2; otherwise 0
	Low, High   float64  // of a range, of "about" or of a modifier's spread, in Unit; equal to Value otherwise
	Approximate bool     // "about"
	UnitAssumed bool     // the field's unit was taken
	Confirm     bool     // what is shown back differs in more than the spelling of the unit: it waits for a tap
	Below       bool     // for a bound: the value lies below
	Decimals    int      // behind the decimal sign as typed; -1 where the value was not typed as one numeral
	Note        string   // words behind the value that were left out: "of salt"
	Code        string   // for a question or an unread text: why, worded by package text
	Read        string   // the part the code speaks of
	Offers      []string // for a question: texts that would answer it
}

// ParseTyped reads what a person typed into a field, by larder D2 to D4 on
// top of the strict layer. It never fails and never guesses where a wrong
// guess would hurt: what it cannot decide is a Question or Unread, with the
// typed text kept. It never panics.
func ParseTyped(text string, f Field) Typed {
	t := readTyped(text, f)
	if !t.Sound() || !(math.Abs(t.Low) <= enormous && math.Abs(t.High) <= enormous) {
		t = unread("too-large", text)
	}
	t.Text = text
	return t
}

func readTyped(text string, f Field) Typed {
	if len(text) > 400 {
		return unread("too-long", "")
	}
	t, r := lex(text), reader{f, lexiconOf(f.Language)}
	whole := strings.ToLower(strings.TrimSpace(text))
	said := func(p *phrases[bool]) bool {
		_, n := p.at(t)
		_, compact := p.meaning[whole]
		return compact || n > 0 && n == len(t)
	}
	switch {
	case len(t) == 0 || said(&r.l.missing):
		return Typed{Kind: Missing}
	case said(&r.l.none):
		return ask("none", text, "0 "+f.Unit)
	case said(&r.l.vague) || r.vagueOf(t):
		return ask("not-a-number", text)
	}
	if f.Dim == Frequency {
		if v, ok := r.note(text); ok {
			return v
		}
	}
	return r.whichDegrees(r.qualified(t))
}

// vagueOf reads "a handful of salt".
func (r reader) vagueOf(t []token) bool {
	_, n := r.l.vague.at(t)
	if _, bound := r.l.bound.at(t); n == 0 || bound > n {
		return false
	}
	_, of := r.l.of.at(t[n:])
	_, _, problem := r.number(t[min(len(t), n+of):])
	return of > 0 && problem != nil
}

// whichDegrees asks where a bare number stands in a °C field of a writer who
// thinks in °F. What is above 60 in a room can only be °F.
func (r reader) whichDegrees(t Typed) Typed {
	f := r.f
	if f.System != US || f.Dim != Temperature || f.unit().Symbol != "°C" || t.Kind != Value || !t.UnitAssumed {
		return t
	}
	if r.f.Room && t.Value > 60 {
		t.Unit, t.Confirm = MustUnit("°F"), true
		return t
	}
	v := text.Number(t.Value, max(0, t.Decimals), r.f.Language)
	return ask("celsius-or-fahrenheit", v, v+" °C", v+" °F")
}

// note reads the name of a note in a field for frequencies. With its octave,
// counted as in C4 for the middle C, it is a value within a quarter tone; a
// name alone is asked, and so are do, re, mi, whose octaves are counted in two
// ways.
func (r reader) note(text string) (Typed, bool) {
	s := strings.ReplaceAll(strings.ToLower(strings.TrimSpace(text)), " ", "")
	name := strings.TrimRight(s, "0123456789")
	octave := s[len(name):]
	bare := strings.TrimRight(
		strings.NewReplacer("♯", "#", "♭", "b", "sharp", "#", "flat", "b", "sostenido", "#", "bemol", "b").
			Replace(name),
		"#",
	)
	sharp := strings.HasSuffix(strings.NewReplacer("♯", "#", "sharp", "#", "sostenido", "#").Replace(name), "#")
	accidental := 0
	if sharp {
		accidental = 1
	}
	if len(bare) == 2 && bare[1] == 'b' {
		bare, accidental = bare[:1], -1
	}
	_, sung := r.l.notes.meaning[bare]
	if !sung && (len(bare) != 1 || bare[0] < 'a' || bare[0] > 'g') {
		return Typed{}, false
	}
	n, err := strconv.Atoi(octave)
	if sung || err != nil || n > 9 {
		return ask("note", text), true
	}
	v := notePitch(bare[0], accidental, n)
	quarter := math.Pow(2, 1.0/24)
	q := Quantity{Value: v, Unit: MustUnit("Hz"), U: v * (quarter - 1/quarter) / 2 / sqrt3}
	return Typed{
		Kind:        Value,
		Parsed:      Parsed{Quantity: q},
		Low:         v / quarter,
		High:        v * quarter,
		Approximate: true,
		Confirm:     true,
		Decimals:    -1,
	}, true
}

func ask(code, read string, offers ...string) Typed {
	return Typed{Kind: Question, Code: code, Read: strings.TrimSpace(read), Offers: offers}
}

func unread(code, read string) Typed { return Typed{Kind: Unread, Code: code, Read: read} }

// The size of a drop where a volume is asked (larder D4, row 6), in mL.
const dropLeast, dropUsual, dropMost = 0.03, 0.05, 0.06

// Converted is a value or bound in another unit, its ends too. Drops become a
// volume with the spread of a drop. It fails when the dimensions differ.
func (t Typed) Converted(unit Unit) (Typed, error) {
	if t.Kind != Value && t.Kind != Bound {
		return t, fmt.Errorf("there is no value in %q", t.Text)
	}
	if t.Unit.Dim == Count && unit.Dim == Volume {
		t.Low, t.Value, t.High = t.Low*dropLeast, t.Value*dropUsual, t.High*dropMost
		t.U, t.Unit, t.Approximate, t.Decimals = (t.High-t.Low)/2/sqrt3, MustUnit("mL"), true, -1
	}
	if t.Unit == unit {
		return t, nil
	}
	q, err := t.In(unit)
	if err != nil {
		return t, err
	}
	low, _ := Quantity{Value: t.Low, Unit: t.Unit}.In(unit)
	high, _ := Quantity{Value: t.High, Unit: t.Unit}.In(unit)
	if t.Decimals >= 0 { // as fine as its last digit, and no finer
		step := math.Pow10(-t.Decimals) * t.Unit.Factor / unit.Factor
		t.Decimals = max(0, min(12, int(math.Ceil(-math.Log10(step)-1e-9))))
	}
	t.Quantity, t.Low, t.High = q, low.Value, high.Value
	return t, nil
}

// about is how far a value that was called about may be off: half of the place
// of its last digit that is not zero, at least a twentieth of it and at most a
// tenth. "About 50" is 45 to 55, "about 25" 23.75 to 26.25.
func about(value float64) float64 {
	v := math.Abs(value)
	if v == 0 {
		return 0
	}
	place := math.Pow10(int(math.Floor(math.Log10(v))))
	for i := 0; i < 12 && math.Abs(math.Round(v/place)*place-v) > 1e-9*v; i++ {
		place /= 10
	}
	return math.Max(v/20, math.Min(v/10, place/2))
}

// Opens reports whether a word can be the first of a number, or of a quantity, in a
// language: a numeral, a number in words, "half", "a" or a fraction. Words of other
// languages do not count: "once" is no eleven in an English sentence.
func Opens(word, language string) bool {
	t := lex(word)
	if len(t) == 0 {
		return false
	}
	return t[0].kind == 'n' || t[0].kind == 'f' || opening[text.Of(language).Code][t[0].low]
}
