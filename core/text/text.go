package text

import (
	"encoding/json"
	"errors"
	"fmt"
	"io/fs"
	"path"
	"sort"
	"strings"
)

// Message is a sentence before it has words.
type Message struct {
	ID   string
	Args Args
}

// M is a message with its arguments in pairs of name and value.
func M(id string, pairs ...any) Message {
	m := Message{ID: id}
	if len(pairs) > 0 {
		m.Args = Args{}
	}
	for i := 0; i+1 < len(pairs); i += 2 {
		m.Args[pairs[i].(string)] = pairs[i+1]
	}
	return m
}

// raw is the id of a message that is its own words, the same in every language.
const raw = "="

// Raw is a message of words that have no language, such as a formula or a name.
func Raw(words string) Message { return Message{ID: raw, Args: Args{raw: words}} }

// Fault is an error with words in every language.
type Fault struct{ Message Message }

// Faulty is an error with a message's words.
func Faulty(id string, pairs ...any) error { return &Fault{M(id, pairs...)} }

func (f *Fault) Error() string { return Render(f.Message, Languages[0]) }

// Words are the error's own.
func (f *Fault) Words() Message { return f.Message }

// Why words an error: in its own words where it has some in every language, else
// as it is.
func Why(err error) Message {
	var worded interface{ Words() Message }
	if errors.As(err, &worded) {
		return worded.Words()
	}
	return Raw(err.Error())
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
	for _, exact := range []string{language, Base(language)} {
		if s := l[exact]; s != "" {
			return s, true
		}
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

var catalog = map[string]map[string]string{} // language, or its tag in a country → id → template

// Register adds the texts/<language>.json files of a package, and those of a
// country, such as texts/es-ES.json, with the words that are others there. It is
// called from the package's init and panics on unreadable data or an id taken twice.
func Register(files fs.FS) {
	for _, tag := range Tags() {
		data, err := fs.ReadFile(files, path.Join("texts", tag+".json"))
		if errors.Is(err, fs.ErrNotExist) && !Ships(tag) {
			continue // most countries say it as the language does
		}
		if err != nil {
			panic(fmt.Sprintf("text: %v", err))
		}
		var texts map[string]string
		if err := json.Unmarshal(data, &texts); err != nil {
			panic(fmt.Sprintf("text: %s: %v", tag, err))
		}
		if catalog[tag] == nil {
			catalog[tag] = map[string]string{}
		}
		for id, t := range texts {
			if _, taken := catalog[tag][id]; taken {
				panic("text: two texts for " + id)
			}
			catalog[tag][id] = t
		}
	}
}

// Render writes a message in a language. A language without texts is answered
// in the first of Languages. An id without a text renders as itself in
// brackets, so that it can be found on a screen. A message without an id is
// nothing.
func Render(m Message, language string) string {
	if m.ID == "" {
		return ""
	}
	if m.ID == raw {
		return fmt.Sprint(m.Args[raw])
	}
	t, ok := catalog[Of(language).Tag][m.ID] // a country's own words come first
	if !ok {
		t, ok = catalog[Of(language).Code][m.ID]
	}
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

// fill writes one hole: {name}, or {name|one form|other form} where the number
// decides, with a form for each of the language's plural classes in their order;
// # inside a form is the number.
func fill(hole string, args Args, language string) string {
	parts := strings.Split(hole, "|")
	v, ok := args[parts[0]]
	if !ok {
		return "{" + parts[0] + "}"
	}
	if forms := parts[1:]; len(forms) > 0 {
		return strings.ReplaceAll(forms[min(formOf(v, language), len(forms)-1)], "#", write(v, language))
	}
	return write(v, language)
}

// formOf is the place of the form that goes with a number; what is no number takes
// the last.
func formOf(v any, language string) int {
	l := Of(language)
	switch v := v.(type) {
	case int:
		return l.Plural(float64(v), 0)
	case float64:
		return l.Plural(v, Decimals(v, 0))
	}
	return len(l.Plurals) - 1
}

func write(v any, language string) string {
	switch v := v.(type) {
	case string:
		return v
	case int:
		return Number(float64(v), 0, language)
	case float64:
		return Number(v, Decimals(v, 0), language)
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
		return Of(language).And(words)
	case []string:
		return Of(language).And(v)
	case []Localized:
		words := make([]string, len(v))
		for i := range v {
			words[i], _ = v[i].In(language)
		}
		return Of(language).And(words)
	}
	return fmt.Sprint(v)
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
