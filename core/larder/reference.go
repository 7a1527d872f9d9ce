package larder

import (
	"encoding/json"
	"regexp"
	"strings"

	"patient-kitchen/core/text"
)

// references are the notes of the larder's data (what a job needs, what a swap
// changes, caveats, places, figures) in the languages that they were not written
// in, by the note as it was written; # stands for a figure, in the same order in
// both.
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
	words := references[text.Base(language)]
	if said, ok := words[note]; ok {
		return said
	}
	said, ok := words[noteFigure.ReplaceAllString(note, "#")]
	if !ok {
		return note
	}
	for _, figure := range noteFigure.FindAllString(note, -1) {
		said = strings.Replace(said, "#", figure, 1)
	}
	return said
}

// noteFigure is a figure in a note: 82, 0.5, 1,000.
var noteFigure = regexp.MustCompile(`\d+(?:[.,]\d+)*`)

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
