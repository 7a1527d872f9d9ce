package larder

import (
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Content is how much of a substance a material holds. Several of one form
// are held together; a material with forms is one of them, the first unless
// it is said.
type Content struct {
	Substance string `json:"substance"`
	Range
	Basis string `json:"basis" enum:"w/w,w/v,v/v,g/piece" doc:"Per cent by mass, of mass in volume, by volume, or grams in a piece"`
	Form  string `json:"form,omitempty" doc:"Such as anhydrous"`
}

// Figure is one property as the card shows it; Key, Low, High and Unit are
// there where it is a number that can be worked with.
type Figure struct {
	Text    string  `json:"text"`
	Quality string  `json:"quality,omitempty" enum:"well-known,typical,varies,computed,choice"`
	Key     string  `json:"key,omitempty" doc:"Such as rho or bulk"`
	Low     float64 `json:"low,omitempty"`
	High    float64 `json:"high,omitempty"`
	Typical float64 `json:"typical,omitempty"`
	Unit    string  `json:"unit,omitempty"`
}

// figureUnits are the units of figures whose text leaves them out.
var figureUnits = map[string]string{
	"rho":   "g/mL",
	"bulk":  "g/mL",
	"mp":    "°C",
	"bp":    "°C",
	"flash": "°C",
	"k":     "W/(m·K)",
}

// Words is the figure as the card shows it: an everyday word for its key, where
// there is one, and what stands behind it.
func (f Figure) Words(language string) string {
	id := "larder.figure." + f.Key
	rest, cut := strings.CutPrefix(f.Text, f.Key+" ")
	if !text.Has(id) || !cut {
		return Said(f.Text, language)
	}
	said := Said(rest, language)
	if unit := figureUnits[f.Key]; unit != "" && !strings.Contains(rest, unit) {
		said += " " + unit
	}
	return text.Render(text.Message{ID: id}, language) + " " + said
}

// Material is a household thing: stuff, vessel, tool or place.
type Material struct {
	ID         string              `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Name       text.Localized      `json:"name"`
	Also       map[string][]string `json:"also,omitempty" doc:"Other everyday names, by language"`
	FirstFor   map[string][]string `json:"first_for,omitempty" doc:"Words that mean this thing first, by language; a word stands at one thing"`
	Roles      []string            `json:"roles,omitempty"`
	Props      map[string]string   `json:"is,omitempty" doc:"What it is, property by property, such as metal: zinc-coated"`
	Capacity   *Range              `json:"capacity_ml,omitempty" doc:"Of a vessel: what fills it to the brim, in mL"`
	GasBrought float64             `json:"gas_brought,omitempty" doc:"Of a fizzy drink: litres of gas a litre"`
	Contains   []Content           `json:"contains,omitempty"`
	Piece      *Range              `json:"piece_g,omitempty" doc:"Mass of one piece, in grams"`
	Figures    []Figure            `json:"figures,omitempty"`
	Hazards    []string            `json:"hazards,omitempty" doc:"Tags of the safety rules"`
	MayHold    []string            `json:"may_hold,omitempty" doc:"Allergens that some kinds hold: read the label"`
	UsualPlace string              `json:"usual_place,omitempty"`
	Cost       string              `json:"cost,omitempty" enum:"free,cheap,moderate"`
	Caveat     string              `json:"caveat,omitempty"`
	Refused    bool                `json:"refused,omitempty" doc:"Known so that it can be refused"`
	Shelf      string              `json:"shelf,omitempty"`
	Own        bool                `json:"own,omitempty" doc:"Added by the school"`
	SaidBy     string              `json:"said_by,omitempty" doc:"Name of the teacher who answered for it"`
}

// Lent reports whether a teacher who gives the thing out wants it back: a tool or a
// vessel that is not used up, or what is dear and holds no stuff.
func (m *Material) Lent() bool {
	switch m.Shelf {
	case "instruments", "instruments-more", "kitchen-tools", "vessels-more":
		return true
	case "vessels-covers":
		return m.Cost == "free" // bags, cups of paper and bands are not
	}
	measures := slices.ContainsFunc(m.Roles, func(r string) bool { return strings.HasSuffix(r, "-instrument") })
	holds := m.Capacity != nil && m.Props["form"] == "rigid"
	return len(m.Contains) == 0 && (m.Cost == "moderate" || m.Own && (measures || holds))
}

// Does reports whether the material can do a job.
func (m *Material) Does(role string) bool { return slices.Contains(m.Roles, role) }

// Has reports whether the material carries a hazard tag.
func (m *Material) Has(tag string) bool { return slices.Contains(m.Hazards, tag) }

// Allergens lists what the material holds or may hold, without the tag's
// prefix, in the alphabet's order.
func (m *Material) Allergens() []string {
	out := slices.Clone(m.MayHold)
	for _, h := range m.Hazards {
		if a, ok := strings.CutPrefix(h, "allergen:"); ok {
			out = append(out, a)
		}
	}
	slices.Sort(out)
	return slices.Compact(out)
}

// Figure finds a property by its key; the first where there are several.
func (m *Material) Figure(key string) (Range, bool) {
	for _, f := range m.Figures {
		if f.Key == key {
			typical := f.Typical
			if typical == 0 {
				typical = (f.Low + f.High) / 2
			}
			return Range{f.Low, typical, f.High}, true
		}
	}
	return Range{}, false
}

// Forms lists the forms a material comes in; none for most.
func (m *Material) Forms() []string {
	var out []string
	for _, c := range m.Contains {
		if c.Form != "" && !slices.Contains(out, c.Form) {
			out = append(out, c.Form)
		}
	}
	return out
}
