package app

import (
	"context"
	"encoding/json"
	"fmt"
	"slices"
	"strings"
	"sync"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/sheets"
)

// LarderView is the larder in short: what the lists and pickers show.
type LarderView struct {
	Things  []ThingRow         `json:"things"`
	Jobs    []JobRow           `json:"jobs"`
	Swaps   []SwapRow          `json:"swaps"`
	Never   []NeverRow         `json:"never"`
	Results []sheets.OptionRow `json:"results" doc:"Kinds of result, in words"`
	Own     int                `json:"own" doc:"How many things and swaps the school added"`

	Qualities []QualityRow `json:"qualities" doc:"What a need can ask of whatever does its job"`

	OwnProblem *OwnProblem `json:"own_problem,omitempty" doc:"Why the school's own entries are all left out now"`

	Fallbacks  []larder.Fallback  `json:"fallbacks" doc:"What almost every home has instead"`
	Printables []larder.Printable `json:"printables" doc:"Sheets that stand in for a tool"`

	Tags      []sheets.OptionRow `json:"tags" doc:"Hazards that a thing can carry"`
	Allergens []sheets.OptionRow `json:"allergens"`
	Shelves   []sheets.OptionRow `json:"shelves"`
}

// OwnProblem is the first own entry that does not hold together any more.
type OwnProblem struct {
	Kind  string `json:"kind" enum:"thing,swap"`
	ID    string `json:"id"`
	Words string `json:"words" doc:"The field, and what is wrong with it"`
}

// ThingRow is a material in the list.
type ThingRow struct {
	ID      string             `json:"id"`
	Name    string             `json:"name"`
	Other   string             `json:"other,omitempty" doc:"Its name in the other language"`
	Shelf   string             `json:"shelf"`
	Jobs    []string           `json:"jobs"`
	Verdict string             `json:"verdict" doc:"For the youngest age band, as an ordinary amount"`
	Refused bool               `json:"refused,omitempty"`
	Own     bool               `json:"own,omitempty"`
	Forms   []sheets.OptionRow `json:"forms,omitempty"`
	Strong  bool               `json:"strong,omitempty" doc:"Its strength is read off the label"`
	Unit    string             `json:"unit,omitempty" doc:"What its amounts come in: mL, g or pieces"`
}

// JobRow is a role.
type JobRow struct {
	larder.Role
	Name   string `json:"name"`
	Things int    `json:"things"`
}

// SwapRow is one substitution rule with its materials in words.
type SwapRow struct {
	ID        string   `json:"id"`
	Role      string   `json:"role"`
	Results   []string `json:"results" doc:"In words"`
	From      string   `json:"from"`
	To        string   `json:"to"`
	Basis     string   `json:"basis"`
	Class     string   `json:"class"`
	Worked    string   `json:"worked,omitempty"`
	Effect    string   `json:"effect,omitempty"`
	Safety    string   `json:"safety,omitempty"`
	Procedure string   `json:"procedure,omitempty"`
	Own       bool     `json:"own,omitempty"`
}

// QualityRow is a quality that a need can ask.
type QualityRow struct {
	ID      string `json:"id"`
	Words   string `json:"words"`
	Takes   string `json:"takes,omitempty" enum:"temperature,volume"`
	Example string `json:"example,omitempty"`
}

// NeverRow is what no kit may hold.
type NeverRow struct {
	What   string `json:"what"`
	Result string `json:"result"`
	Rule   string `json:"rule"`
}

// ThingCard is all that is known of one material.
type ThingCard struct {
	ThingRow
	Names    []string            `json:"names"`
	Figures  []FigureRow         `json:"figures"`
	Caveat   string              `json:"caveat,omitempty"`
	Place    string              `json:"place,omitempty"`
	Cost     string              `json:"cost,omitempty"`
	Bands    []BandView          `json:"bands"`
	Hazards  []sheets.CautionRow `json:"hazards"`
	Clear    []string            `json:"clear"`
	Allergy  []string            `json:"allergy"`
	Diet     []string            `json:"diet"`
	Swap     []string            `json:"swap" doc:"What keeps the job for those who avoid it"`
	Pets     []string            `json:"pets"`
	Instead  []SwapRow           `json:"instead" doc:"What may stand in for it"`
	Serves   []SwapRow           `json:"serves" doc:"What it may stand in for"`
	Designs  []string            `json:"designs" doc:"The teacher's experiments that use it"`
	Material any                 `json:"material,omitempty" doc:"An own thing as the data files write it"`
}

// FigureRow is one property with its quality.
type FigureRow struct {
	Text    string `json:"text"`
	Quality string `json:"quality,omitempty"`
}

// LarderFound is what a search brings.
type LarderFound struct {
	Things  []string `json:"things" doc:"Ids, best first"`
	Asks    []AskRow `json:"asks"`
	Nearest []string `json:"nearest"`
}

// AskRow is a word that may mean several things.
type AskRow struct {
	Rule    string   `json:"rule" enum:"ask,match,refuse"`
	Why     string   `json:"why"`
	Choices []string `json:"choices"`
}

// verdicts of the shipped things, worked out once: they do not change while
// the program runs.
var shippedVerdicts = sync.OnceValue(func() map[string][4]safety.Verdict {
	out := map[string][4]safety.Verdict{}
	for i := range larder.Standard().Materials {
		m := &larder.Standard().Materials[i]
		out[m.ID] = verdictsOf(larder.Standard(), m)
	}
	return out
})

// verdictsOf judges a material by itself, in an ordinary amount.
func verdictsOf(l *larder.Larder, m *larder.Material) [4]safety.Verdict {
	d := aloneDesign(m)
	return safety.Judge(&d, l, nil).Bands
}

// aloneDesign uses 10 mL of one material and nothing else.
func aloneDesign(m *larder.Material) design.Document {
	return design.Document{
		AgeBand: design.AgeBands[0],
		Needs:   []design.Need{{ID: "thing", Name: m.Name, Kind: design.MaterialNeed, Material: m.ID, Amount: "10 mL"}},
		Steps:   []design.Step{{ID: "use", Uses: []string{"thing"}}},
	}
}

// larderOf is the larder as a teacher has it, and its own entries by
// themselves. Entries that no longer hold together, as after a new version
// with other jobs or things, are left out; the larder view says so.
func (a *App) larderOf(ctx context.Context, who TeacherActor) (*larder.Larder, larder.Own, error) {
	var own larder.Own
	rows, err := a.Store.OwnEntries(ctx, who.ID)
	if err != nil {
		return nil, own, err
	}
	for _, r := range rows {
		var err error
		if r.Kind == "swap" {
			var rule larder.Rule
			err = json.Unmarshal(r.Body, &rule)
			own.Rules = append(own.Rules, rule)
		} else {
			var m larder.Material
			err = json.Unmarshal(r.Body, &m)
			own.Materials = append(own.Materials, m)
		}
		if err != nil {
			return nil, own, fmt.Errorf("own %s %s: %w", r.Kind, r.ID, err)
		}
	}
	l, _ := larder.Standard().With(own)
	return l, own, nil
}

// Larder lists the larder with the teacher's own things.
func (a *App) Larder(ctx context.Context, who TeacherActor, language string) (LarderView, error) {
	l, own, err := a.larderOf(ctx, who)
	if err != nil {
		return LarderView{}, err
	}
	v := LarderView{
		Things:     []ThingRow{},
		Jobs:       []JobRow{},
		Swaps:      []SwapRow{},
		Never:      []NeverRow{},
		Results:    resultRows(l, language),
		Own:        len(own.Materials) + len(own.Rules),
		Tags:       optionRows(larder.Tags, "larder.tag.", language),
		Fallbacks:  []larder.Fallback{},
		Printables: []larder.Printable{},
		Allergens:  optionRows(larder.Allergens, "larder.allergen.", language),
	}
	if _, problems := larder.Standard().With(own); len(problems) > 0 {
		v.OwnProblem = &OwnProblem{
			Kind:  "thing",
			ID:    problems[0].Entry,
			Words: problems[0].Field + " " + problems[0].Message,
		}
		if slices.ContainsFunc(own.Rules, func(r larder.Rule) bool { return r.ID == problems[0].Entry }) {
			v.OwnProblem.Kind = "swap"
		}
	}
	for _, q := range l.Qualities {
		words, _ := q.Words.In(language)
		v.Qualities = append(
			v.Qualities,
			QualityRow{q.ID, strings.Replace(words, "{figure}", "…", 1), q.Takes, q.Example},
		)
	}
	counts := map[string]int{}
	var shelves []string
	for i := range l.Materials {
		m := &l.Materials[i]
		v.Things = append(v.Things, thingRow(l, m, language))
		if !slices.Contains(shelves, m.Shelf) {
			shelves = append(shelves, m.Shelf)
		}
		for _, r := range m.Roles {
			counts[r]++
		}
	}
	v.Shelves = optionRows(shelves, "larder.shelf.", language)
	said := func(note string) string { return larder.Said(note, language) }
	for _, r := range l.Roles {
		r.Job, r.Matters, r.Failure = said(r.Job), said(r.Matters), said(r.Failure)
		v.Jobs = append(v.Jobs, JobRow{r, text.Render(text.Message{ID: "larder.role." + r.ID}, language), counts[r.ID]})
	}
	for i := range l.Rules {
		v.Swaps = append(v.Swaps, swapRow(l, &l.Rules[i], language))
	}
	for _, n := range l.Nevers {
		v.Never = append(v.Never, NeverRow{said(n.What), said(n.Result), said(n.Rule)})
	}
	for _, f := range l.Fallbacks {
		f.Need, f.Fallback, f.Expect = said(f.Need), said(f.Fallback), said(f.Expect)
		v.Fallbacks = append(v.Fallbacks, f)
	}
	for _, p := range l.Printables {
		p.Sheet, p.Size, p.Use, p.Error = said(p.Sheet), said(p.Size), said(p.Use), said(p.Error)
		v.Printables = append(v.Printables, p)
	}
	return v, nil
}

func thingRow(l *larder.Larder, m *larder.Material, language string) ThingRow {
	name, _ := m.Name.In(language)
	verdicts, ok := shippedVerdicts()[m.ID]
	if !ok || m.Own {
		verdicts = verdictsOf(l, m)
	}
	r := ThingRow{
		ID:      m.ID,
		Name:    name,
		Shelf:   m.Shelf,
		Jobs:    append([]string{}, m.Roles...),
		Verdict: string(verdicts[0]),
		Refused: m.Refused,
		Own:     m.Own,
	}
	for _, f := range m.Forms() {
		r.Forms = append(r.Forms, sheets.OptionRow{ID: f, Text: larder.FormSaid(f, language)})
	}
	for _, lang := range text.Languages {
		if lang != language && m.Name[lang] != name {
			r.Other = m.Name[lang]
		}
	}
	for _, c := range m.Contains {
		r.Strong = r.Strong || c.Basis != "g/piece" && c.High-c.Low > 0.5 && c.High < 95
	}
	switch {
	case m.Liquid():
		r.Unit = "mL"
	case len(m.Contains) > 0 && m.Contains[0].Basis == "g/piece", m.Piece != nil:
		r.Unit = "pieces"
	default:
		if _, ok := m.Figure("bulk"); ok || len(m.Contains) > 0 {
			r.Unit = "g"
		}
	}
	return r
}

// optionRows words ids whose texts begin alike.
func optionRows(ids []string, prefix, language string) []sheets.OptionRow {
	out := make([]sheets.OptionRow, 0, len(ids))
	for _, id := range ids {
		out = append(out, sheets.OptionRow{ID: id, Text: text.Render(text.Message{ID: prefix + id}, language)})
	}
	return out
}

func resultRows(l *larder.Larder, language string) []sheets.OptionRow {
	out := []sheets.OptionRow{}
	for _, k := range l.Kinds {
		words, _ := k.Words.In(language)
		out = append(out, sheets.OptionRow{ID: k.ID, Text: words})
	}
	slices.SortFunc(out, func(a, b sheets.OptionRow) int { return strings.Compare(a.Text, b.Text) })
	return out
}

func swapRow(l *larder.Larder, r *larder.Rule, language string) SwapRow {
	said := func(note string) string { return larder.Said(note, language) }
	var results []string
	for _, id := range r.Results {
		if name, _ := l.ResultName(id).In(language); !slices.Contains(results, name) {
			results = append(results, name)
		}
	}
	return SwapRow{
		r.ID,
		r.Role,
		results,
		r.From.Said(l, language),
		r.To.Said(l, language),
		string(r.Basis),
		string(r.Class),
		said(r.Worked),
		said(r.Effect),
		said(r.Safety),
		said(r.Procedure),
		r.Own,
	}
}

// Thing is one material's card.
func (a *App) Thing(ctx context.Context, who TeacherActor, id, language string) (ThingCard, error) {
	l, _, err := a.larderOf(ctx, who)
	if err != nil {
		return ThingCard{}, err
	}
	m, ok := l.Material(id)
	if !ok {
		return ThingCard{}, refusal.ErrNotFound
	}
	alone := aloneDesign(m)
	r := safety.Judge(&alone, l, nil)
	said := func(note string) string { return larder.Said(note, language) }
	v := ThingCard{
		ThingRow: thingRow(l, m, language),
		Names:    m.Names(),
		Figures:  figureRows(l, m, language),
		Caveat:   said(m.Caveat),
		Place:    said(m.UsualPlace),
		Cost:     said(m.Cost),
		Bands:    viewBands(r),
		Hazards:  []sheets.CautionRow{},
		Clear:    []string{},
		Allergy:  []string{},
		Diet:     []string{},
		Swap:     []string{},
		Pets:     []string{},
		Instead:  []SwapRow{},
		Serves:   []SwapRow{},
		Designs:  []string{},
	}
	for _, f := range r.Findings {
		if f.Rule == "allergen" {
			continue
		}
		v.Hazards = append(
			v.Hazards,
			sheets.CautionRow{Why: text.Render(f.Why, language), Do: text.Render(f.Do, language), Steps: []int{}},
		)
	}
	v.Clear = sheets.SayAll(r.Clearing.Lines, language)
	for _, x := range m.Allergens() {
		v.Allergy = append(v.Allergy, text.Render(text.Message{ID: "larder.allergen." + x}, language))
	}
	for _, d := range l.Diets {
		if slices.Contains(d.Materials, id) {
			if d.Diet != "" {
				v.Diet = append(v.Diet, said(d.Diet))
			}
			for _, id := range d.Swaps {
				if other, ok := l.Material(id); ok {
					name, _ := other.Name.In(language)
					v.Swap = append(v.Swap, name)
				}
			}
		}
	}
	for _, p := range l.Pets {
		if slices.Contains(p.Materials, id) {
			v.Pets = append(v.Pets, strings.TrimSuffix(said(p.Hazard)+": "+said(p.Animals)+"; "+said(p.Note), "; "))
		}
	}
	for _, s := range l.Instead(id) {
		v.Instead = append(v.Instead, swapRow(l, s.Rule, language))
	}
	for _, s := range l.Serves(id) {
		v.Serves = append(v.Serves, swapRow(l, s.Rule, language))
	}
	if m.Own {
		v.Material = m
	}
	rows, err := a.Store.Experiments(ctx, who.ID)
	if err != nil {
		return ThingCard{}, err
	}
	for _, e := range rows {
		if d, err := design.Read(e.Draft); err == nil &&
			slices.ContainsFunc(d.Needs, func(n design.Need) bool { return n.Material == id }) {
			v.Designs = append(v.Designs, titled(e.Title, language))
		}
	}
	return v, nil
}

// figureRows are a material's figures, those worked out here first.
func figureRows(l *larder.Larder, m *larder.Material, language string) []FigureRow {
	out := []FigureRow{}
	add := func(id string, r larder.Range, per any) {
		q := quantity.Between(r.Low, r.High, quantity.MustUnit("1"))
		d := text.Decimals(r.Typical, max(q.U, r.Typical/200))
		number := func(v float64) string { return text.Number(v, d, language) }
		out = append(
			out,
			FigureRow{
				text.Render(
					text.M(id, "value", number(r.Typical), "low", number(r.Low), "high", number(r.High), "per", per),
					language,
				),
				"computed",
			},
		)
	}
	stuff := larder.Stuff{Material: m.ID}
	if r, err := l.AcidPer(stuff); err == nil {
		per := "g"
		if m.Liquid() {
			per = "mL"
		}
		add("larder.figure-of.acid", r, per)
	}
	if r, err := l.CO2Per(stuff); err == nil {
		var per any = "g"
		if m.Contains[0].Basis == "g/piece" {
			per = text.M("larder.per-piece")
		}
		add("larder.figure-of.co2", r, per)
	}
	for _, f := range m.Figures {
		if f.Key != "acid" && f.Key != "co2" {
			out = append(out, FigureRow{f.Words(language), f.Quality})
		}
	}
	return out
}

// FindThings searches the larder by everyday names.
func (a *App) FindThings(ctx context.Context, who TeacherActor, typed, language string) (LarderFound, error) {
	l, _, err := a.larderOf(ctx, who)
	if err != nil {
		return LarderFound{}, err
	}
	f := l.Find(typed, language)
	out := LarderFound{Things: []string{}, Asks: []AskRow{}, Nearest: []string{}}
	for _, h := range f.Hits {
		out.Things = append(out.Things, h.Material.ID)
	}
	for _, h := range f.Nearest {
		out.Nearest = append(out.Nearest, h.Material.ID)
	}
	for _, w := range f.Asks {
		why, _ := w.Why.In(language)
		out.Asks = append(out.Asks, AskRow{w.Rule, why, append([]string{}, w.Choices...)})
	}
	return out, nil
}
