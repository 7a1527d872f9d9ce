package larder

import (
	"encoding/json"
	"strings"

	"patient-kitchen/core/text"
)

// references are the notes of the larder's data (what a job needs, what a swap
// changes, caveats, places) in the languages that they were not written in, by
// the note as it was written.
var references = func() map[string]map[string]string {
	out := map[string]map[string]string{}
	for _, language := range text.Languages[1:] {
		data, err := files.ReadFile("data/reference." + language + ".json")
		words := map[string]string{}
		if err == nil {
			err = json.Unmarshal(data, &words)
		}
		if err != nil {
			panic("larder: reference." + language + ".json: " + err.Error()) // it ships with the program
		}
		out[language] = words
	}
	return out
}()

// Said is a note of the larder's data in a language; a note of the school's own
// stays as it was written.
func Said(note, language string) string {
	if words, ok := references[text.Base(language)][note]; ok {
		return words
	}
	return note
}

// Said is a side of a swap in a language: by its note, or by the names and the
// strength of its materials.
func (s Side) Said(l *Larder, language string) string {
	note := Said(s.Text, language)
	if note != "" && (note != s.Text || text.Base(language) == text.Languages[0]) {
		return note
	}
	var names []string
	for _, id := range s.Materials {
		m, ok := l.Material(id)
		if !ok {
			return note
		}
		name, _ := m.Name.In(language)
		names = append(names, name)
	}
	if len(names) == 0 {
		return note
	}
	note = strings.Join(names, "; ")
	if s.Percent > 0 {
		note += " " + text.Number(s.Percent, text.Decimals(s.Percent, 0), language) + "\u00a0%"
	}
	return note
}

// FormSaid is a form of a material, such as anhydrous, in a language.
func FormSaid(form, language string) string {
	id := "larder.form." + strings.ReplaceAll(form, " ", "-")
	if !text.Has(id) {
		return form
	}
	return text.Render(text.Message{ID: id}, language)
}
