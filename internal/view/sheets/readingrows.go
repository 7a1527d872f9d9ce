package sheets

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/reading"
)

// ReadingRow is a reading in the home's language.
type ReadingRow struct {
	ID          string          `json:"id"`
	Name        string          `json:"name"`
	Kind        string          `json:"kind" enum:"quantity,count,ordinal,yes-partly-no,choice,several,order,stage-order,zones,words,event,position,text"`
	Unit        string          `json:"unit"`
	Of          int             `json:"of,omitempty" doc:"Of a count or zones: how many there are in all"`
	NotBy       int             `json:"not_by,omitempty" doc:"Of an event: from how many seconds on not having happened is an answer"`
	Choices     []ChoiceRow     `json:"choices" doc:"Levels, answers, options or things of a reading that is no number"`
	Partly      string          `json:"partly,omitempty" doc:"What partly means"`
	Place       *PlaceRow       `json:"place,omitempty" doc:"Of a position: the picture it is marked on"`
	From        string          `json:"from,omitempty" doc:"Of an order: the word at its beginning"`
	To          string          `json:"to,omitempty" doc:"Of an order: the word at its end"`
	Pairs       []reading.Pair  `json:"pairs,omitempty" doc:"Of an order asked two at a time: the pairs in their sequence"`
	Guidance    string          `json:"guidance,omitempty"`
	Low         string          `json:"low,omitempty" doc:"The physical least"`
	High        string          `json:"high,omitempty" doc:"The physical most"`
	Repeats     string          `json:"repeatability,omitempty" doc:"How far two tries of the same thing differ"`
	Trials      int             `json:"trials" doc:"How often it is taken again"`
	Deeper      bool            `json:"deeper,omitempty" doc:"Only for those who go deeper; nobody waits for it"`
	Shared      bool            `json:"shared,omitempty" doc:"The home takes its teacher's"`
	Instruments []InstrumentRow `json:"instruments"`
}

// PairWords are the pairs of an order that is asked two at a time, in words.
func (r ReadingRow) PairWords() [][2]string {
	word := func(id string) string {
		for _, c := range r.Choices {
			if c.ID == id {
				return c.Word
			}
		}
		return id
	}
	var out [][2]string
	for _, p := range r.Pairs {
		out = append(out, [2]string{word(p.A), word(p.B)})
	}
	return out
}

// PlaceRow is the picture that a place is marked on.
type PlaceRow struct {
	Picture string      `json:"picture" enum:"field,sheet,dish,glass"`
	From    design.Spot `json:"from" doc:"The fixed spot that is drawn on it"`
}

// Drawing is the picture as lines.
func (p *PlaceRow) Drawing() design.Drawing { return design.Ground(p.Picture).Drawing() }

// ChoiceRow is a level, answer, option or thing in the home's language.
type ChoiceRow struct {
	ID      string `json:"id"`
	Word    string `json:"word"`
	Sense   string `json:"sense,omitempty" doc:"Of a word: the sense it is said by"`
	Picture string `json:"picture,omitempty"`
}

// InstrumentRow is a tool to choose from.
type InstrumentRow struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	Step     string `json:"step" doc:"Its smallest step"`
	Analogue bool   `json:"analogue,omitempty" doc:"Read by eye to half a division"`
}
