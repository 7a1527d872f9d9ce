package shelves

import (
	"slices"
	"strings"
	"sync"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/drafts"
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
	OwnValues []OwnValueRow      `json:"own_values" doc:"What each home can measure once"`
	TrueSize  []sheets.OptionRow `json:"true_size" doc:"Sheets that can be printed at true size"`
}

// OwnValueRow is a value that each home can measure once.
type OwnValueRow struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Unit string `json:"unit"`
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

// SwapRow is one swap rule with its materials in words.
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
	Bands    []drafts.BandView   `json:"bands"`
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

// Row is a thing in a list.
func Row(l *larder.Larder, m *larder.Material, language string) ThingRow {
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

// Swap is a swap rule in a list.
func Swap(l *larder.Larder, r *larder.SwapRule, language string) SwapRow {
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

// View is the larder with the teacher's own things.
func View(l *larder.Larder, own larder.Own, language string) LarderView {
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
		if slices.ContainsFunc(own.Rules, func(r larder.SwapRule) bool { return r.ID == problems[0].Entry }) {
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
	var names []string
	for i := range l.Materials {
		m := &l.Materials[i]
		v.Things = append(v.Things, Row(l, m, language))
		if !slices.Contains(names, m.Shelf) {
			names = append(names, m.Shelf)
		}
		for _, r := range m.Roles {
			counts[r]++
		}
	}
	v.Shelves = optionRows(names, "larder.shelf.", language)
	said := func(note string) string { return larder.Said(note, language) }
	for _, r := range l.Roles {
		r.Job, r.Matters, r.Failure = said(r.Job), said(r.Matters), said(r.Failure)
		v.Jobs = append(v.Jobs, JobRow{r, text.Render(text.Message{ID: "larder.role." + r.ID}, language), counts[r.ID]})
	}
	for _, id := range design.Printables {
		v.TrueSize = append(v.TrueSize,
			sheets.OptionRow{ID: id, Text: text.Render(text.Message{ID: "printable." + id}, language)})
	}
	for _, o := range design.OwnValues {
		v.OwnValues = append(v.OwnValues, OwnValueRow{o.ID, text.Render(o.Name(), language), o.Unit})
	}
	for i := range l.Rules {
		v.Swaps = append(v.Swaps, Swap(l, &l.Rules[i], language))
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
	return v
}
