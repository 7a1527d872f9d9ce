package kitchens

import (
	"maps"
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Question asks a home about one thing or tool of its kitchen.
type Question struct {
	ID    string   `json:"id" doc:"Of the material of the larder, or what is measured"`
	Tool  bool     `json:"tool,omitempty" doc:"It asks what a tool shows; the answer is a smallest step, or none"`
	Name  string   `json:"name"`
	Note  string   `json:"note,omitempty" doc:"Which one is meant"`
	Steps []string `json:"steps,omitempty" doc:"Of a tool: the smallest steps to choose from"`
	Label bool     `json:"label,omitempty" doc:"Its label says a strength, in percent, that matters"`
	For   string   `json:"for,omitempty" doc:"It could stand in for the thing of this id, and is asked only of a home that lacks that"`
}

// steps are what tools of a kitchen show, by what they measure.
var steps = map[string][]string{
	"mass":        {"1 g", "0.1 g", "0.01 g", "0.5 oz"},
	"length":      {"1 mm", "0.25 in"},
	"temperature": {"1 °C", "0.1 °C", "1 °F"},
	"volume":      {"1 mL", "10 mL", "50 mL"},
}

// mostInstead bounds how many things are asked for that could stand in for one.
const mostInstead = 6

// Asked are the questions of some designs: what each needs, in the order of their needs,
// with what could stand in for it after it, then the tools that their readings take.
func Asked(designs []*fit.Supplies, language string) []Question {
	var out []Question
	seen := map[string]bool{}
	for _, w := range designs {
		for _, list := range w.ByNeed() {
			for i, supply := range list {
				if seen[supply.Material.ID] || steps[supply.Measures()] != nil || i > mostInstead {
					continue // a tool is asked by what it shows
				}
				seen[supply.Material.ID] = true
				q := Question{ID: supply.Material.ID}
				q.Name, _ = supply.Material.Name.In(language)
				if i == 0 {
					q.Label = supply.Percent > 0
				} else {
					q.For = list[0].Material.ID
				}
				out = append(out, q)
			}
		}
	}
	for _, what := range []string{"mass", "length", "temperature", "volume"} {
		if slices.ContainsFunc(designs, func(w *fit.Supplies) bool { return measures(w, what) }) {
			out = append(out, Question{
				ID: what, Tool: true, Steps: steps[what],
				Name: text.Render(text.Message{ID: "kitchen.tool." + what}, language),
			})
		}
	}
	return out
}

// measures reports whether a design reads something by a tool, or lists one.
func measures(w *fit.Supplies, what string) bool {
	for _, list := range w.ByNeed() {
		if list[0].Measures() == what {
			return true
		}
	}
	return slices.ContainsFunc(w.Design().Readings, func(r design.Reading) bool {
		u, ok := quantity.LookupUnit(r.Unit)
		return ok && r.Sort() == design.QuantityKind && u.Dim == kitchen.Measures[what]
	})
}

// Fields are a home's answers.
type Fields struct {
	Things    map[string]kitchen.Answer `json:"things" doc:"By the id of a material: have, get or none; what is left out was not said"`
	Strengths map[string]float64        `json:"strengths,omitempty" doc:"By the id of a material: what its label says, in percent"`
	Tools     map[string]string         `json:"tools,omitempty" doc:"By what is measured: the smallest step, or none"`
	Own       map[string]string         `json:"own,omitempty" doc:"By the id of a value that a home measures once: what was typed"`
	Hours     *HomeHours                `json:"hours,omitempty" doc:"When the home works, and when an adult is in; seen by the teacher alone"`
	Facts     map[string]string         `json:"facts,omitempty" doc:"What it says of itself: yes or no by the id of a fact; seen by the teacher alone"`
	Otherwise bool                      `json:"otherwise,omitempty" doc:"The home rather takes part in another supply"`
}

// Known are the facts of a home with what it said at a step, which goes before.
func (f Fields) Known(atSteps map[string]string) map[string]string {
	out := map[string]string{}
	maps.Copy(out, f.Facts)
	maps.Copy(out, atSteps)
	return out
}

// Said reports whether a home has said anything of its kitchen.
func (f Fields) Said() bool { return len(f.Things) > 0 || len(f.Tools)+len(f.Own) > 0 || f.Otherwise }

// Kitchen is the same as the core reads it.
func (f Fields) Kitchen(home string) kitchen.Kitchen {
	k := kitchen.Kitchen{Home: home, Things: f.Things, Strengths: f.Strengths, Tools: f.Tools, Otherwise: f.Otherwise}
	for id, typed := range f.Own { // what cannot be read yet is kept for its home, and worked with by nobody
		if own, ok := design.Own(id); ok {
			if _, err := own.Typed(typed); err == nil {
				if k.Own == nil {
					k.Own = map[string]string{}
				}
				k.Own[id] = typed
			}
		}
	}
	return k
}

// Fact asks a home for something of itself that makes a difference to what is safe there.
type Fact struct {
	ID  string `json:"id"`
	Ask string `json:"ask"`
}

// Facts are what some designs ask of a home itself.
func Facts(designs []*fit.Supplies, language string) []Fact {
	out := []Fact{}
	for _, w := range designs {
		for _, f := range w.Facts() {
			if !slices.ContainsFunc(out, func(x Fact) bool { return x.ID == f.ID }) {
				out = append(out, Fact{f.ID, text.Render(f.Ask, language)})
			}
		}
	}
	return out
}

// Page is a home's survey.
type Page struct {
	Questions []Question `json:"questions"`
	Own       []OwnRow   `json:"own" doc:"What the home can measure once, if it likes"`
	Facts     []Fact     `json:"facts" doc:"Seen by the teacher alone, and optional"`
	Answers   Fields     `json:"answers"`
	Answered  bool       `json:"answered" doc:"The home has said something before"`
}

// Matrix is the Kitchens station for one class.
type Matrix struct {
	Class     uuid.UUID   `json:"class"`
	ClassName string      `json:"class_name"`
	Says      string      `json:"says" doc:"The class in a sentence"`
	Needs     []Head      `json:"needs"`
	Homes     []Row       `json:"homes" doc:"What needs a look first"`
	Packing   []Packed    `json:"packing" doc:"What the teacher sends or lends"`
	Shopping  []Packed    `json:"shopping" doc:"What homes said that they can get"`
	Helps     []Help      `json:"helps" doc:"The most helpful first"`
	Questions []Question  `json:"questions" doc:"What homes are asked for this experiment"`
	Own       []OwnRow    `json:"own" doc:"What each can measure once"`
	Facts     []Fact      `json:"facts" doc:"What they are asked of themselves"`
	AskedAt   *time.Time  `json:"asked_at,omitempty" doc:"When the homes were last asked for this experiment"`
	Said      int         `json:"said" doc:"Homes that have said something"`
	Variants  int         `json:"variants"`
	Classes   []ClassName `json:"classes" doc:"The teacher's classes"`
}

// ClassName is a class to choose.
type ClassName struct {
	ID   uuid.UUID `json:"id"`
	Name string    `json:"name"`
}

// Head is a need as a column.
type Head struct {
	Need string `json:"need"`
	Name string `json:"name"`
}

// Row is a home's plan.
type Row struct {
	Home     uuid.UUID `json:"home"`
	Nickname string    `json:"nickname"`
	Verdict  string    `json:"verdict" enum:"as-designed,with-substitutes,needs-a-kit,part,shared-readings"`
	Assumed  bool      `json:"assumed,omitempty" doc:"It has answered nothing and is taken as usual"`
	Cells    []Cell    `json:"cells" doc:"In the order of needs"`
	Shared   []string  `json:"shared" doc:"Names of readings that come from the teacher"`
	Answers  Fields    `json:"answers"`
}

// Cell is what a home uses for a need; only what departs has words.
type Cell struct {
	Name    string `json:"name,omitempty" doc:"Of what is used, where it is not the design's own"`
	Amount  string `json:"amount,omitempty"`
	Class   string `json:"class" enum:"pools,scales,separate,unsuitable"`
	Why     string `json:"why,omitempty"`
	Own     bool   `json:"own"`
	Get     bool   `json:"get,omitempty"`
	Kit     bool   `json:"kit,omitempty"`
	Assumed bool   `json:"assumed,omitempty"`
	Without bool   `json:"without,omitempty"`
	Pinned  bool   `json:"pinned,omitempty" doc:"The teacher has fixed it"`
	Use     string `json:"use" doc:"By which a pin names it"`
}

// Packed is a thing to send, and to which homes.
type Packed struct {
	Name  string   `json:"name"`
	Homes []string `json:"homes" doc:"Nicknames"`
	Each  string   `json:"each,omitempty" doc:"How much a home needs, with a spare tenth, where all need as much"`
	Total string   `json:"total,omitempty" doc:"How much that is for all these homes"`
	Lent  bool     `json:"lent,omitempty" doc:"It is wanted back when the work is due"`
	Cost  string   `json:"cost,omitempty" doc:"free, cheap or moderate, in the reader's language"`
	Place string   `json:"place,omitempty" doc:"Where it usually is, in the reader's language"`
	Get   string   `json:"get,omitempty" doc:"Where one gets it and how long to allow, in the reader's language"`
}

// Help is what a thing would do.
type Help struct {
	Name     string `json:"name"`
	Homes    int    `json:"homes" doc:"How many would take part better"`
	Variants int    `json:"variants" doc:"How many versions there would then be"`
}

// Home is a home with its answers.
type Home struct {
	ID       uuid.UUID
	Nickname string
	Answers  Fields
}

// NoClass is the station of a teacher who has no class yet.
func NoClass() Matrix {
	return Matrix{
		Needs: []Head{}, Homes: []Row{}, Packing: []Packed{}, Shopping: []Packed{}, Helps: []Help{},
		Classes: []ClassName{}, Questions: []Question{},
		Facts: []Fact{}, Own: []OwnRow{},
	}
}

// MatrixOf lays a plan out for the page. The homes are in the order of the plan's.
func MatrixOf(w *fit.Supplies, homes []Home, class kitchen.Class, plan fit.Plan, language string) Matrix {
	d := w.Design()
	out := NoClass()
	out.Questions = append(out.Questions, Asked([]*fit.Supplies{w}, language)...)
	out.Facts = Facts([]*fit.Supplies{w}, language)
	out.Own = OwnAsked([]*fit.Supplies{w}, Fields{}, language)
	out.Variants = len(plan.Variants)
	if len(homes) > 0 {
		out.Says = text.Render(plan.Sentence(), language)
	}
	report := w.ReportOf(class, plan)
	nick := map[string]string{}
	for i, p := range plan.Homes {
		nick[p.Home] = homes[i].Nickname
		if i == 0 {
			for _, x := range p.Choices {
				n, _ := d.Need(x.Need)
				name, _ := n.Name.In(language)
				out.Needs = append(out.Needs, Head{x.Need, name})
			}
		}
		if !p.Assumed {
			out.Said++
		}
		out.Homes = append(out.Homes, rowOf(d, &plan.Homes[i], homes[i], language))
	}
	name := func(id string) string {
		m, ok := d.Larder().Material(id)
		if !ok {
			return id
		}
		s, _ := m.Name.In(language)
		return s
	}
	out.Packing = append(out.Packing, packed(plan, nick, language, func(c fit.Choice) bool { return c.Kit })...)
	out.Shopping = append(out.Shopping, packed(plan, nick, language, func(c fit.Choice) bool {
		return c.Get && !c.Kit
	})...)
	for _, h := range report.Helps {
		out.Helps = append(out.Helps, Help{name(h.Material), h.Homes, h.Variants})
	}
	slices.SortStableFunc(out.Homes, func(a, b Row) int {
		return worst(b) - worst(a)
	})
	return out
}

// otherStep reports whether a home's tool shows other steps than the design asks for.
func otherStep(d *design.Document, what, step string) bool {
	own, ok := quantity.ParseOK(step)
	return ok && slices.ContainsFunc(d.Readings, func(r design.Reading) bool {
		in, has := r.Instrument("")
		p, readable := quantity.ParseOK(in.Resolution)
		return has && readable && p.Unit.Dim == kitchen.Measures[what] && p.SI() != own.SI()
	})
}

// worst is how much a home's row needs a look.
func worst(r Row) int {
	at := slices.Index(fit.Verdicts, fit.Verdict(r.Verdict))
	if r.Assumed {
		return 0
	}
	return at
}

func rowOf(d *design.Document, p *fit.HomePlan, h Home, language string) Row {
	row := Row{
		Home: h.ID, Nickname: h.Nickname, Verdict: string(p.Verdict), Assumed: p.Assumed, Answers: h.Answers,
		Cells: []Cell{}, Shared: []string{},
	}
	if row.Answers.Things == nil {
		row.Answers.Things = map[string]kitchen.Answer{}
	}
	for _, x := range p.Choices {
		c := Cell{Class: string(x.Class), Own: x.Own, Get: x.Get, Kit: x.Kit, Assumed: x.Assumed, Without: x.Without,
			Pinned: x.Pinned, Use: x.Use()}
		if !x.Own || x.Kit {
			c.Name, _ = x.Material.Name.In(language)
			c.Why = text.Render(x.Because, language)
		}
		if step := h.Answers.Tools[x.Measures()]; x.Own && !x.Kit && step != kitchen.NoTool &&
			otherStep(d, x.Measures(), step) {
			c.Name = step // how fine it is matters
		}
		if n, ok := d.Need(x.Need); ok && x.Amount.Value > 0 {
			c.Amount = text.Render(x.Said(n), language)
		}
		row.Cells = append(row.Cells, c)
	}
	for _, t := range p.Readings {
		if r, ok := d.Reading(t.Reading); ok && t.Shared {
			name, _ := r.Name.In(language)
			row.Shared = append(row.Shared, name)
		}
	}
	return row
}
