package results

import (
	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
)

// CrossView is a picture with the places that homes marked on it in one lane.
type CrossView struct {
	Reading   string      `json:"reading"`
	Name      string      `json:"name"`
	Picture   string      `json:"picture" enum:"field,sheet,dish,glass"`
	From      design.Spot `json:"from" doc:"The fixed spot that is drawn on it"`
	Condition string      `json:"condition,omitempty"`
	Lane      string      `json:"lane,omitempty" doc:"The condition or stage in words"`
	Spots     []SpotView  `json:"spots"`
	Middle    design.Spot `json:"middle" doc:"Median across and median down"`
	Ring      float64     `json:"ring" doc:"The distance from the middle that holds half of the places, as a share of the width"`
}

// SpotView is the place of one home.
type SpotView struct {
	Home   string  `json:"home" doc:"Its id"`
	X      float64 `json:"x"`
	Y      float64 `json:"y"`
	Square string  `json:"square" doc:"Such as D2"`
}

func viewCrosses(d *design.Document, crosses []compare.Crosses, language string) []CrossView {
	out := []CrossView{}
	for _, c := range crosses {
		p := c.Reading.Placed()
		for _, l := range c.Lanes {
			v := CrossView{
				Reading: c.Reading.ID, Name: in(c.Reading.Name, language), Picture: string(p.Picture), From: p.From,
				Condition: l.Condition, Middle: l.Middle, Ring: l.Ring,
			}
			if l.Condition != "" {
				v.Lane = laneName(d, l.Condition, language)
			}
			for _, s := range l.Spots {
				v.Spots = append(v.Spots, SpotView{s.Home, s.X, s.Y, s.Square()})
			}
			out = append(out, v)
		}
	}
	return out
}
