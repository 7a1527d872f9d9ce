package design

import (
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Need is a thing the work needs, by the job it does.
type Need struct {
	ID           string           `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Name         text.Localized   `json:"name"`
	Kind         NeedKind         `json:"kind,omitempty" enum:"material,object,person,place" doc:"material: a thing of the larder; object: an everyday thing with nothing in it that could hurt; left out: not said yet"`
	Role         string           `json:"role,omitempty" doc:"The job it does, an id of the larder such as mild-acid"`
	Material     string           `json:"material,omitempty" doc:"The preferred thing, an id of the larder such as vinegar-white"`
	Form         string           `json:"form,omitempty" doc:"Of a material that has forms, such as anhydrous"`
	Strength     *Strength        `json:"strength,omitempty" doc:"As the label says it"`
	Amount       string           `json:"amount,omitempty" doc:"Quantity with unit, such as 200 mL; of a bag its capacity; blank for a thing"`
	AmountBy     AmountBy         `json:"amount_by,omitempty" enum:"measure,range,count,eye" doc:"How the amount is found; left out: measured. range: anything within it, such as 150 to 200 mL; count: so many, such as 3; eye: no amount, a drawing says about how much"`
	Look         string           `json:"look,omitempty" enum:"jar-full,jar-much,jar-half,jar-little,jar-empty" doc:"Of an amount by eye: a jar as full as that"`
	Copies       []Copy           `json:"copies,omitempty" doc:"Several of it, each prepared in another way"`
	Tolerance    Tolerance        `json:"tolerance,omitempty" enum:"exact,about,free"`
	PerCondition bool             `json:"per_condition,omitempty"`
	Optional     bool             `json:"optional,omitempty"`
	Symbol       string           `json:"symbol,omitempty" doc:"Its name in formulas: the amount that a home really used, for one time; as long as it says nothing the amount above" pattern:"^[A-Za-z_][A-Za-z0-9_]*$"`
	Spooned      float64          `json:"spooned,omitempty" doc:"Of a home's plan: the amount in level teaspoons, where it has no scale"`
	Weighed      bool             `json:"weighed,omitempty" doc:"The amount is weighed, not spooned"`
	Qualities    []Quality        `json:"qualities,omitempty" doc:"What whatever does the job has to be"`
	Barred       []string         `json:"barred,omitempty" doc:"Ids of materials that may not stand in for it"`
	Instead      []text.Localized `json:"instead,omitempty" doc:"What may be used instead, in the teacher's words"`
	Note         text.Localized   `json:"note,omitempty"`
}

// AmountBy is how a home finds the amount of a thing.
type AmountBy string

// An amount by eye is refused where safety or a formula needs it: it is none.
const (
	ByMeasure AmountBy = "measure"
	ByRange   AmountBy = "range"
	ByCount   AmountBy = "count"
	ByEye     AmountBy = "eye"
)

// Copy is one of several of the same thing, prepared in its own way.
type Copy struct {
	ID       string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Prepared text.Localized `json:"prepared" doc:"How, and what for where that helps, such as with holes, so that air comes in"`
}

// MaxCopies is how many of a thing are prepared differently at most.
const MaxCopies = 8

// looks are the drawings of an amount by eye.
var looks = []string{"jar-full", "jar-much", "jar-half", "jar-little", "jar-empty"}

// Be makes a need a thing of the larder, in the job it had if the thing does it.
func (n *Need) Be(m *larder.Material) {
	n.Kind, n.Material, n.Form, n.Strength = MaterialNeed, m.ID, "", nil
	if m.Does(n.Role) {
		return
	}
	n.Role = ""
	if len(m.Roles) > 0 {
		n.Role = m.Roles[0]
	}
}

// Quality is something that a need asks of whatever does its job.
type Quality struct {
	Is     string `json:"is" doc:"Id of a quality of the larder, such as cut-open"`
	Figure string `json:"figure,omitempty" doc:"With unit, for a quality that takes one, such as 80 °C"`
}

// Asked are the qualities of a need as the larder knows them; what it does not
// know, or has no readable figure, is left out (Validate says so).
func (n *Need) Asked(l *larder.Larder) []larder.Asked {
	var out []larder.Asked
	for _, q := range n.Qualities {
		if known, ok := l.Quality(q.Is); ok {
			if figure, ok := q.figure(known.Takes); ok {
				out = append(out, larder.Asked{Quality: known, Figure: figure})
			}
		}
	}
	return out
}

// figure is what goes with a quality, in °C or mL; it reports false where one
// is missing, cannot be read or is of another kind.
func (q Quality) figure(takes string) (float64, bool) {
	p, err := quantity.Parse(q.Figure)
	switch {
	case takes == "":
		return 0, q.Figure == ""
	case err != nil:
		return 0, false
	case takes == "temperature" && p.Unit.Dim == quantity.Temperature:
		return p.SI() - 273.15, true
	case takes == "volume" && p.Unit.Dim == quantity.Volume:
		return p.SI() * 1e6, p.Value > 0
	}
	return 0, false
}

// NeedKind says what a need is.
type NeedKind string

// The kinds of need. One that is not said yet is judged as the worst.
const (
	MaterialNeed NeedKind = "material"
	ObjectNeed   NeedKind = "object"
	PersonNeed   NeedKind = "person"
	PlaceNeed    NeedKind = "place"
)

// Strength is a label's strength with its basis.
type Strength struct {
	Value float64 `json:"value" exclusiveMinimum:"0"`
	Basis string  `json:"basis" enum:"w/w,w/v,v/v,volumes,mol/L"`
}

// Tolerance says how closely an amount matters.
type Tolerance string
