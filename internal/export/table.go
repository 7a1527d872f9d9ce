package export

import (
	"fmt"
	"maps"
	"math"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
	_ "patient-kitchen/internal/words" // explains the columns
)

// Class is one experiment as one class did it, with all that its tables say.
type Class struct {
	Name       string // of the class
	Experiment string // title, in the reader's language
	Version    int
	Language   string // of the reader
	Design     *design.Document
	Readings   compare.Readings
	Report     compare.Report
}

// column is one column of a table: its id, and what stands in a row.
type column[Row any] struct {
	id string
	of func(c *Class, r *Row) any // string, float64, int, bool, or nil for nothing
}

// readings are the columns of the table of readings, one row a value that was
// entered or a slot of which a home said why it was not read.
var readings = []column[compare.Row]{
	{"class", func(c *Class, _ *compare.Row) any { return c.Name }},
	{"experiment", func(c *Class, _ *compare.Row) any { return c.Experiment }},
	{"version", func(c *Class, _ *compare.Row) any { return c.Version }},
	{"home", func(_ *Class, r *compare.Row) any { return r.Home }},
	{"provenance", func(_ *Class, r *compare.Row) any { return r.Provenance }},
	{"reading", func(_ *Class, r *compare.Row) any { return r.Reading }},
	{"reading_name", func(c *Class, r *compare.Row) any { return c.readingName(r.Reading) }},
	{"condition", func(_ *Class, r *compare.Row) any { return r.Condition }},
	{"condition_name", func(c *Class, r *compare.Row) any { return c.laneName(r.Condition) }},
	{"object", func(_ *Class, r *compare.Row) any { return r.Object }},
	{"thing", func(_ *Class, r *compare.Row) any { return r.Thing }},
	{"time", func(_ *Class, r *compare.Row) any { return r.Time }},
	{"time_s", func(_ *Class, r *compare.Row) any { return seconds(r.Time) }},
	{"trial", func(_ *Class, r *compare.Row) any { return r.Trial }},
	{"stage", func(_ *Class, r *compare.Row) any { return r.Stage }},
	{"stage_name", func(c *Class, r *compare.Row) any { return c.laneName(r.Stage) }},
	{"kind", func(_ *Class, r *compare.Row) any { return r.Kind }},
	{"value", func(_ *Class, r *compare.Row) any { return given(r) }},
	{"u", func(_ *Class, r *compare.Row) any { return twoDigits(r.U) }},
	{"unit", func(_ *Class, r *compare.Row) any { return r.Unit }},
	{"low", func(_ *Class, r *compare.Row) any { return number(r.Low) }},
	{"high", func(_ *Class, r *compare.Row) any { return number(r.High) }},
	{"bound", func(_ *Class, r *compare.Row) any { return r.Bound }},
	{"of", func(c *Class, r *compare.Row) any { return c.total(r) }},
	{
		"escaped",
		func(_ *Class, r *compare.Row) any { return beside(r, func(g *notebook.Given) int { return g.Escaped }) },
	},
	{"undecided", func(_ *Class, r *compare.Row) any {
		return beside(r, func(g *notebook.Given) int { return g.Undecided })
	}},
	{"words", func(c *Class, r *compare.Row) any { return c.givenWords(r) }},
	{"typed", func(_ *Class, r *compare.Row) any { return r.Typed }},
	{"tool", func(_ *Class, r *compare.Row) any { return r.Instrument }},
	{"tool_name", func(c *Class, r *compare.Row) any { return c.toolName(r.Reading, r.Instrument) }},
	{"tool_step", func(_ *Class, r *compare.Row) any { return r.Step }},
	{"uses", func(c *Class, r *compare.Row) any { return c.uses(r.Home) }},
	{"fate", func(_ *Class, r *compare.Row) any { return r.Fate }},
	{"counts", func(_ *Class, r *compare.Row) any { return r.Counts }},
	{"reason", func(_ *Class, r *compare.Row) any { return r.Reason }},
	{"measured_at", func(_ *Class, r *compare.Row) any { return r.MeasuredAt }},
	{"received_at", func(_ *Class, r *compare.Row) any { return r.ReceivedAt }},
	{"late", func(_ *Class, r *compare.Row) any { return r.Late }},
}

// uses is what a home used instead, need by need.
func (c *Class) uses(home string) string {
	var out []string
	for _, h := range c.Readings.Homes {
		if h.Home == home {
			for _, need := range slices.Sorted(maps.Keys(h.Uses)) {
				out = append(out, need+"="+h.Uses[need])
			}
		}
	}
	return strings.Join(out, "; ")
}

// answers are the columns of what homes predicted, answered and saw.
var answers = []column[compare.AnswerRow]{
	{"class", func(c *Class, _ *compare.AnswerRow) any { return c.Name }},
	{"experiment", func(c *Class, _ *compare.AnswerRow) any { return c.Experiment }},
	{"version", func(c *Class, _ *compare.AnswerRow) any { return c.Version }},
	{"home", func(_ *Class, r *compare.AnswerRow) any { return r.Home }},
	{"question", func(_ *Class, r *compare.AnswerRow) any { return r.Question }},
	{"question_text", func(c *Class, r *compare.AnswerRow) any { return c.questionText(r.Question) }},
	{"when", func(c *Class, r *compare.AnswerRow) any {
		if q, ok := c.Design.QuestionOf(r.Question); ok {
			return q.When
		}
		return nil
	}},
	{"answer", func(c *Class, r *compare.AnswerRow) any { return c.said(r) }},
	{"options", func(_ *Class, r *compare.AnswerRow) any { return joined(r.Choice) }},
	{"at", func(_ *Class, r *compare.AnswerRow) any { return r.At }},
}

var observations = []column[compare.ObservationRow]{
	{"class", func(c *Class, _ *compare.ObservationRow) any { return c.Name }},
	{"experiment", func(c *Class, _ *compare.ObservationRow) any { return c.Experiment }},
	{"version", func(c *Class, _ *compare.ObservationRow) any { return c.Version }},
	{"home", func(_ *Class, r *compare.ObservationRow) any { return r.Home }},
	{"step", func(_ *Class, r *compare.ObservationRow) any { return r.Step }},
	{"evidence", func(_ *Class, r *compare.ObservationRow) any { return r.Evidence }},
	{"text", func(_ *Class, r *compare.ObservationRow) any { return r.Text }},
	{"at", func(_ *Class, r *compare.ObservationRow) any { return r.At }},
}

// value is a worked out value of a home, with the home beside it.
type value struct {
	Home string
	compare.HomeValue
}

var values = []column[value]{
	{"home", func(_ *Class, r *value) any { return r.Home }},
	{"result", func(_ *Class, r *value) any { return r.Value }},
	{"result_name", func(c *Class, r *value) any { return c.outcomeName(r.Value) }},
	{"condition", func(_ *Class, r *value) any { return r.Condition }},
	{"condition_name", func(c *Class, r *value) any { return c.laneName(r.Condition) }},
	{"value", func(_ *Class, r *value) any {
		if r.Given != "" {
			return r.Given
		}
		return number(r.Mean)
	}},
	{"give_or_take", func(_ *Class, r *value) any { return twoDigits(r.GiveOrTake) }},
	{"unit", func(_ *Class, r *value) any { return r.Unit }},
	{"low", func(_ *Class, r *value) any { return number(r.Low) }},
	{"high", func(_ *Class, r *value) any { return number(r.High) }},
	{"trials", func(_ *Class, r *value) any { return r.Trials }},
}

// verdict is what a home's own numbers say to what it predicted.
type verdict struct {
	Home string
	compare.Held
}

var verdicts = []column[verdict]{
	{"home", func(_ *Class, r *verdict) any { return r.Home }},
	{"question", func(_ *Class, r *verdict) any { return r.Question }},
	{"question_text", func(c *Class, r *verdict) any { return c.questionText(r.Question) }},
	{"verdict", func(_ *Class, r *verdict) any { return string(r.Verdict) }},
}

var findings = []column[compare.FindingReport]{
	{"finding", func(_ *Class, r *compare.FindingReport) any { return r.ID }},
	{"verdict", func(_ *Class, r *compare.FindingReport) any { return string(r.Verdict) }},
	{"words", func(c *Class, r *compare.FindingReport) any { return r.Words.Teacher[text.Base(c.Language)] }},
	{"test", func(_ *Class, r *compare.FindingReport) any { return r.Test }},
	{"homes", func(_ *Class, r *compare.FindingReport) any { return r.N }},
	{"p_corrected", func(_ *Class, r *compare.FindingReport) any { return number(r.PCorrected) }},
}

// given is the value of a row: a number, or the ids of what was given.
func given(r *compare.Row) any {
	if r.Given != nil && r.Given.Count == nil {
		return r.Given.Code()
	}
	return number(r.Value)
}

// beside is a number of a count that stands beside it.
func beside(r *compare.Row, of func(*notebook.Given) int) any {
	if r.Given == nil || r.Given.Count == nil {
		return nil
	}
	return of(r.Given)
}

// total is how many there were in all of what was counted.
func (c *Class) total(r *compare.Row) any {
	of, ok := c.Design.Reading(r.Reading)
	if !ok || of.Sort() != design.CountKind {
		return nil
	}
	g := r.Given
	if g == nil {
		g = &notebook.Given{}
	}
	if n, known := g.Total(of); known {
		return n
	}
	return nil
}

// givenWords is what was given in the reader's language.
func (c *Class) givenWords(r *compare.Row) any {
	of, ok := c.Design.Reading(r.Reading)
	if !ok || r.Given == nil {
		return nil
	}
	return text.Render(r.Given.Said(c.Design, of), c.Language)
}

func (c *Class) values() (out []value) {
	for _, h := range c.Report.Homes {
		for _, v := range h.Values {
			out = append(out, value{h.Home, v})
		}
	}
	return out
}

func (c *Class) verdicts() (out []verdict) {
	for _, h := range c.Report.Homes {
		for _, v := range h.Predictions {
			out = append(out, verdict{h.Home, v})
		}
	}
	return out
}

func (c *Class) in(t text.Localized) string {
	s, _ := t.In(c.Language)
	return s
}

func (c *Class) readingName(id string) string {
	if r, ok := c.Design.Reading(id); ok {
		return c.in(r.Name)
	}
	return ""
}

func (c *Class) laneName(id string) string { return c.in(c.Design.LaneName(id)) }

func (c *Class) outcomeName(id string) string {
	for _, x := range c.Design.Outcomes() {
		if x.ID == id {
			return c.in(x.Name)
		}
	}
	return ""
}

func (c *Class) toolName(reading, tool string) string {
	if r, ok := c.Design.Reading(reading); ok && tool != "" {
		if in, ok := r.Instrument(tool); ok {
			return c.in(in.Name)
		}
	}
	return ""
}

func (c *Class) questionText(id string) string {
	if q, ok := c.Design.QuestionOf(id); ok {
		return c.in(q.Text)
	}
	return ""
}

// said is an answer in words: its options' names in their order, or its text.
func (c *Class) said(r *compare.AnswerRow) string {
	q, ok := c.Design.QuestionOf(r.Question)
	if !ok || len(r.Choice) == 0 {
		return r.Text
	}
	out := ""
	for i, id := range r.Choice {
		if i > 0 {
			out += "; "
		}
		name := id
		for _, o := range c.Design.OptionsOf(q) {
			if o.ID == id {
				name = c.in(o.Word)
			}
		}
		out += name
	}
	return out
}

func joined(ids []string) string {
	out := ""
	for i, id := range ids {
		if i > 0 {
			out += " "
		}
		out += id
	}
	return out
}

func number(v *float64) any {
	if v == nil || math.IsNaN(*v) || math.IsInf(*v, 0) {
		return nil
	}
	return *v
}

// twoDigits rounds an uncertainty to two digits that mean something.
func twoDigits(v *float64) any {
	if number(v) == nil || *v == 0 {
		return number(v)
	}
	rounded, _ := strconv.ParseFloat(strconv.FormatFloat(*v, 'e', 1, 64), 64)
	return rounded
}

func seconds(duration string) any {
	if s, ok := design.Seconds(duration); ok && duration != "" {
		return s
	}
	return nil
}

// rows are a table's head and cells.
func rows[Row any](c *Class, columns []column[Row], list []Row) [][]any {
	head := make([]any, len(columns))
	for i, k := range columns {
		head[i] = k.id
	}
	out := [][]any{head}
	for r := range list {
		line := make([]any, len(columns))
		for i, k := range columns {
			line[i] = k.of(c, &list[r])
		}
		out = append(out, line)
	}
	return out
}

// Explained is one line of the sheet that explains the columns.
type Explained struct{ Table, Column, Words string }

// Columns explains every column of every table in a language.
func Columns(language string) []Explained {
	var out []Explained
	add := func(table string, ids []string) {
		for _, id := range ids {
			words := text.M("export.column." + id)
			if own := "export.column." + table + "." + id; text.Has(own) {
				words = text.M(own)
			}
			out = append(out, Explained{table, id, text.Render(words, language)})
		}
	}
	add("readings", idsOf(readings))
	add("answers", idsOf(answers))
	add("observations", idsOf(observations))
	add("results", idsOf(values))
	add("predictions", idsOf(verdicts))
	add("findings", idsOf(findings))
	return out
}

func idsOf[Row any](columns []column[Row]) []string {
	out := make([]string, len(columns))
	for i, c := range columns {
		out[i] = c.id
	}
	return out
}

// plain writes a cell with a point before decimals.
func plain(v any) string {
	switch v := v.(type) {
	case nil:
		return ""
	case float64:
		return strconv.FormatFloat(v, 'g', 10, 64)
	}
	return fmt.Sprint(v)
}
