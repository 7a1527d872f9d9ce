package text

import (
	"embed"
	"encoding/json"
	"fmt"
	"io/fs"
	"math"
	"path"
	"sort"
	"strings"

	"patient-kitchen/core/quantity"
)

// Languages are the languages every message exists in; the first is the one
// taken for readers of any other.
var Languages = []string{"en", "es"}

// Message is a sentence before it has words.
type Message struct {
	ID   string
	Args Args
}

// List is several messages in a row: "milk and soy".
type List []Message

// Args are a message's arguments by name: string, int, float64,
// quantity.Quantity, []string, Message, List or Localized.
type Args map[string]any

// Localized is a text that the teacher wrote in one or more languages, by
// language code.
type Localized map[string]string

// In is the text in a language. Where it has none it is the first one there
// is, in the order of Languages and then of the alphabet, and ok is false.
func (l Localized) In(language string) (s string, ok bool) {
	if s := l[language]; s != "" {
		return s, true
	}
	for _, other := range Languages {
		if s := l[other]; s != "" {
			return s, false
		}
	}
	keys := make([]string, 0, len(l))
	for k := range l {
		keys = append(keys, k)
	}
	sort.Strings(keys)
	for _, k := range keys {
		if l[k] != "" {
			return l[k], false
		}
	}
	return "", false
}

var catalog = map[string]map[string]string{} // language → id → template

//go:embed texts/*.json
var own embed.FS

func init() { Register(own) }

// Register adds the texts/<language>.json files of a package. It is called
// from the package's init and panics on unreadable data or an id taken twice.
func Register(files fs.FS) {
	for _, lang := range Languages {
		data, err := fs.ReadFile(files, path.Join("texts", lang+".json"))
		if err != nil {
			panic(fmt.Sprintf("text: %v", err))
		}
		var texts map[string]string
		if err := json.Unmarshal(data, &texts); err != nil {
			panic(fmt.Sprintf("text: %s: %v", lang, err))
		}
		if catalog[lang] == nil {
			catalog[lang] = map[string]string{}
		}
		for id, t := range texts {
			if _, taken := catalog[lang][id]; taken {
				panic("text: two texts for " + id)
			}
			catalog[lang][id] = t
		}
	}
}

// languageNames are what the languages are called, in each.
var languageNames = map[string]Localized{"en": {"en": "English", "es": "inglés"}, "es": {"en": "Spanish", "es": "español"}}

// LanguageName is what a language is called; one that is not known is its code.
func LanguageName(code string) Localized {
	if n, ok := languageNames[code]; ok {
		return n
	}
	return Localized{Languages[0]: code}
}

// Render writes a message in a language. A language without texts is answered
// in the first of Languages. An id without a text renders as itself in
// brackets, so that it can be found on a screen. A message without an id is
// nothing.
func Render(m Message, language string) string {
	if m.ID == "" {
		return ""
	}
	texts, ok := catalog[language]
	if !ok {
		language = Languages[0]
		texts = catalog[language]
	}
	t, ok := texts[m.ID]
	if !ok {
		return "[" + m.ID + "]"
	}
	var b strings.Builder
	for {
		before, rest, ok := strings.Cut(t, "{")
		b.WriteString(before)
		if !ok {
			return b.String()
		}
		hole, after, ok := strings.Cut(rest, "}")
		if !ok {
			return b.String()
		}
		b.WriteString(fill(hole, m.Args, language))
		t = after
	}
}

// fill writes one hole: {name}, or {name|one form|other form} where the
// number decides; # inside a form is the number.
func fill(hole string, args Args, language string) string {
	parts := strings.Split(hole, "|")
	v, ok := args[parts[0]]
	if !ok {
		return "{" + parts[0] + "}"
	}
	if len(parts) == 3 {
		form := parts[2]
		if n, ok := v.(int); ok && n == 1 {
			form = parts[1]
		}
		return strings.ReplaceAll(form, "#", write(v, language))
	}
	return write(v, language)
}

func write(v any, language string) string {
	switch v := v.(type) {
	case string:
		return v
	case int:
		return quantity.Number(float64(v), 0, language)
	case float64:
		return quantity.Number(v, quantity.Decimals(v, 0), language)
	case interface{ Show(language string) string }: // quantities
		return v.Show(language)
	case Localized:
		s, _ := v.In(language)
		return s
	case Message:
		return Render(v, language)
	case List:
		words := make([]string, len(v))
		for i := range v {
			words[i] = Render(v[i], language)
		}
		return list(words, language)
	case []string:
		return list(v, language)
	case []Localized:
		words := make([]string, len(v))
		for i := range v {
			words[i], _ = v[i].In(language)
		}
		return list(words, language)
	}
	return fmt.Sprint(v)
}

func list(words []string, language string) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	and := " and "
	if language == "es" {
		and = " y "
	}
	last := len(words) - 1
	return strings.Join(words[:last], ", ") + and + words[last]
}

// Has reports whether an id has a text.
func Has(id string) bool {
	_, ok := catalog[Languages[0]][id]
	return ok
}

// IDs lists the ids that have a text in a language, sorted.
func IDs(language string) []string {
	ids := make([]string, 0, len(catalog[language]))
	for id := range catalog[language] {
		ids = append(ids, id)
	}
	sort.Strings(ids)
	return ids
}

// Holes lists the argument names of an id's text in a language, sorted and
// each once.
func Holes(id, language string) []string {
	seen := map[string]bool{}
	for _, part := range strings.Split(catalog[language][id], "{")[1:] {
		hole, _, _ := strings.Cut(part, "}")
		name, _, _ := strings.Cut(hole, "|")
		seen[name] = true
	}
	names := make([]string, 0, len(seen))
	for n := range seen {
		names = append(names, n)
	}
	sort.Strings(names)
	return names
}

// Quantity words the code of a problem or question that package quantity
// found in a typed text.
func Quantity(code, read, example string) Message {
	return Message{ID: "quantity." + code, Args: Args{"read": read, "example": example}}
}

// Echo shows back what was understood of a typed value or bound.
func Echo(t quantity.Typed) Message {
	show := func(v float64) figured { return figured{quantity.Quantity{Value: v, Unit: t.Unit}, t.Decimals} }
	id := "value"
	switch {
	case t.Kind == quantity.Bound && t.Below:
		id = "below"
	case t.Kind == quantity.Bound:
		id = "above"
	case t.IsRange:
		id = "range"
	case t.Approximate:
		id = "about"
	}
	return Message{ID: "quantity.echo." + id, Args: Args{"value": show(t.Value), "low": show(t.Low), "high": show(t.High)}}
}

// Between shows a value of which only a bound is known.
func Between(low, high float64, unit quantity.Unit) Message {
	t := quantity.Typed{Kind: quantity.Bound, Parsed: quantity.Parsed{Quantity: quantity.Quantity{Value: high, Unit: unit}}, Below: true, Decimals: -1, Low: low, High: high}
	switch {
	case math.IsInf(high, 0):
		t.Value, t.Below = low, false
	case low > 0:
		t.Kind, t.IsRange = quantity.Value, true
	}
	return Echo(t)
}

// figured is a value with the decimals it was typed with; with fewer than none
// as many as it has, up to four digits.
type figured struct {
	quantity.Quantity
	decimals int
}

func (f figured) Show(language string) string {
	if f.decimals < 0 {
		return f.Quantity.Show(language)
	}
	s := quantity.Number(f.Value, f.decimals, language)
	if l := f.Unit.Label(); l != "" {
		s += "\u00a0" + l
	}
	return s
}

// Portion words an amount made up of a home's measures, with the rounding
// error said from one percent on: "2 × 1 tsp + 1 × ¼ tsp, 3 % under".
func Portion(p quantity.Portion) Message {
	percent := int(math.Round(100 * math.Abs(p.Off)))
	id := "exact"
	switch {
	case percent == 0:
	case p.Off < 0:
		id = "under"
	default:
		id = "over"
	}
	return Message{ID: "quantity.portion." + id, Args: Args{"parts": p, "percent": percent}}
}
