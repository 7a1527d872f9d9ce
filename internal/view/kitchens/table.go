package kitchens

import (
	"encoding/csv"
	"io"
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/text"
)

// Table writes what homes said as a table for a spreadsheet: a row a home, a column a
// question; what was not said is blank. Facts of a home are in no file.
func Table(out io.Writer, homes []Home, questions []Question, language string) error {
	w := csv.NewWriter(out)
	head := []string{text.Render(text.M("kitchen.table.home"), language)}
	for _, q := range questions {
		head = append(head, q.Name)
	}
	rows := [][]string{head}
	for _, h := range homes {
		row := []string{h.Nickname}
		for _, q := range questions {
			cell := h.Answers.Tools[q.ID]
			if !q.Tool {
				cell = string(h.Answers.Things[q.ID])
			}
			if word := "kitchen.table." + cell; cell != "" && text.Has(word) {
				cell = text.Render(text.M(word), language)
			}
			row = append(row, cell)
		}
		rows = append(rows, row)
	}
	return w.WriteAll(rows)
}

// Read is what a table said: the new answers of the homes that it names, and what in it
// could not be read, as sentences.
type Read struct {
	Answers  map[string]Fields // by nickname, whole: with what the home had said before
	Problems []text.Message
}

// ReadTable reads a table of what homes have: separated by commas, semicolons or tabs, its
// heads the names or ids of the questions in any order. A blank cell changes nothing.
func ReadTable(typed string, homes []Home, questions []Question) Read {
	out := Read{Answers: map[string]Fields{}}
	r := csv.NewReader(strings.NewReader(strings.TrimPrefix(typed, "\ufeff")))
	r.Comma, r.FieldsPerRecord, r.LazyQuotes, r.TrimLeadingSpace = separator(typed), -1, true, true
	rows, err := r.ReadAll()
	if err != nil || len(rows) < 2 {
		out.Problems = append(out.Problems, text.M("kitchen.table.unreadable"))
		return out
	}
	columns := make([]*Question, len(rows[0]))
	for i, head := range rows[0] {
		if i == 0 {
			continue
		}
		at := slices.IndexFunc(questions, func(q Question) bool { return same(q.Name, head) || same(q.ID, head) })
		if at < 0 {
			out.Problems = append(out.Problems, text.M("kitchen.table.column", "head", head))
			continue
		}
		columns[i] = &questions[at]
	}
	for _, row := range rows[1:] {
		at := slices.IndexFunc(homes, func(h Home) bool { return same(h.Nickname, row[0]) })
		if at < 0 {
			if strings.TrimSpace(row[0]) != "" {
				out.Problems = append(out.Problems, text.M("kitchen.table.nobody", "home", row[0]))
			}
			continue
		}
		f := homes[at].Answers
		f.Things, f.Tools = maps.Clone(f.Things), maps.Clone(f.Tools)
		if f.Things == nil {
			f.Things = map[string]kitchen.Answer{}
		}
		if f.Tools == nil {
			f.Tools = map[string]string{}
		}
		for i, cell := range row {
			if i >= len(columns) || columns[i] == nil || strings.TrimSpace(cell) == "" {
				continue
			}
			if !f.take(columns[i], cell) {
				out.Problems = append(out.Problems, text.M("kitchen.table.cell", "home", row[0], "head",
					columns[i].Name, "cell", cell))
			}
		}
		out.Answers[homes[at].Nickname] = f
	}
	return out
}

// take puts a cell into the answers; it reports false for what is no answer.
func (f Fields) take(q *Question, cell string) bool {
	said, known := answerOf(cell)
	if q.Tool {
		step := strings.TrimSpace(cell)
		if known && said == kitchen.None {
			step = kitchen.NoTool
		}
		k := kitchen.Kitchen{Home: "x", Tools: map[string]string{q.ID: step}}
		if k.Check() != nil {
			return false
		}
		f.Tools[q.ID] = step
		return true
	}
	if known {
		f.Things[q.ID] = said
	}
	return known
}

// answerOf is an answer as people write it, in any of the languages.
func answerOf(cell string) (kitchen.Answer, bool) {
	for _, answer := range kitchen.Answers {
		for _, language := range text.Languages {
			for _, word := range strings.Split(text.Render(text.M("kitchen.table."+string(answer)+".also"), language),
				", ") {
				if same(word, cell) {
					return answer, true
				}
			}
		}
		if same(string(answer), cell) {
			return answer, true
		}
	}
	return "", false
}

// same compares as people write: without minding capitals and blanks around.
func same(a, b string) bool { return strings.EqualFold(strings.TrimSpace(a), strings.TrimSpace(b)) }

// separator is what stands between the cells of a table's first line.
func separator(typed string) rune {
	line, _, _ := strings.Cut(typed, "\n")
	best := ','
	for _, r := range []rune{';', '\t'} {
		if strings.Count(line, string(r)) > strings.Count(line, string(best)) {
			best = r
		}
	}
	return best
}
