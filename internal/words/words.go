// Package words holds the sentences of the application that are not the core's:
// why something is refused, what stands on plain pages and sheets, and the words
// of the phone's and the teacher's pages, which the web files are built with.
// They are in texts/<language>.json (ids with arguments, as core/text writes
// them) and pages/<page>.<language>.json (as i18next reads them). A language is
// added by putting its files beside these.
//
// It must not know what is done with a sentence. Start reading at [Of].
package words

import (
	"embed"
	"encoding/json"
	"maps"
	"strings"
	"sync"

	"patient-kitchen/core/text"
)

//go:embed texts/*.json pages/*.json
var files embed.FS

func init() { text.Register(files) }

// family are the phone's words by language, for the pages that stand in for it.
var family = func() map[string]map[string]string {
	out := map[string]map[string]string{}
	for _, code := range text.Tags() {
		out[code] = Page("family", code)
	}
	return out
}()

// Page are the words that a web page is built with, by their keys; nil where
// the language has none.
func Page(name, language string) map[string]string {
	raw, err := files.ReadFile("pages/" + name + "." + language + ".json")
	if err != nil {
		return nil
	}
	var out map[string]string
	if err := json.Unmarshal(raw, &out); err != nil {
		panic("words: " + name + "." + language + ": " + err.Error()) // it ships with the program
	}
	return out
}

// Of are the fixed words of a page or sheet in a language, by their ids without
// its name before them; the phone's words are among them.
func Of(page, language string) map[string]string {
	key := [2]string{page, text.Of(language).Tag}
	kept, ok := pages.Load(key)
	if !ok {
		kept, _ = pages.LoadOrStore(key, collected(page, language))
	}
	return maps.Clone(kept.(map[string]string))
}

// pages are the words of each page and language, collected once; both are few.
var pages sync.Map

func collected(page, language string) map[string]string {
	out := maps.Clone(family[text.Of(language).Code])
	maps.Copy(out, family[text.Of(language).Tag])
	for _, id := range text.IDs(text.Of(language).Code) {
		if word, ok := strings.CutPrefix(id, page+"."); ok {
			out[word] = text.Render(text.Message{ID: id}, language)
		}
	}
	return out
}

// Field is what a field of a request is called.
func Field(name string) text.Message {
	last := name[strings.LastIndexAny(name, "./")+1:]
	if id := "field." + strings.ReplaceAll(last, " ", "-"); text.Has(id) {
		return text.Message{ID: id}
	}
	return text.Message{ID: "rule.said", Args: text.Args{"rule": strings.ReplaceAll(last, "_", " ")}}
}

// Sentence says which rule a field breaks, with an example that would do.
func Sentence(field string, rule text.Message, example, language string) string {
	m := text.Message{ID: "rule.sentence", Args: text.Args{"field": Field(field), "rule": rule, "example": example}}
	if example != "" {
		m.ID = "rule.sentence.example"
	}
	s := text.Render(m, language)
	first := []rune(s)[:1]
	return strings.ToUpper(string(first)) + s[len(string(first)):]
}
