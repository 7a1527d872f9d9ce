package design

import (
	"fmt"
	"slices"

	"patient-kitchen/core/text"
)

// Evidence shows what happened: a picture, words, the way of something through its
// stages.
type Evidence struct {
	ID       string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Kind     EvidenceKind   `json:"kind" enum:"photo,photo-pair,drawing,drawing-pair,clip,sound,flow-chart,talk,text"`
	Name     text.Localized `json:"name"`
	MustShow text.Localized `json:"must_show,omitempty" doc:"What must be visible or said"`
	Required bool           `json:"required,omitempty"`
	Instead  []EvidenceKind `json:"instead,omitempty" enum:"photo,drawing,clip,sound,text" doc:"Kinds that do as well, for homes that cannot: a pair of pictures is two of them"`
	Places   []Choice       `json:"places,omitempty" doc:"Of a flow chart: the places to choose from; others can be typed"`
	Length   string         `json:"length,omitempty" doc:"Of a talk: how long, such as 2 min"`
	Audience text.Localized `json:"audience,omitempty" doc:"Of a talk: to whom"`
}

// EvidenceKind is what a piece of evidence is.
type EvidenceKind string

// The kinds of evidence. A pair is taken in two steps, from the same place.
const (
	PhotoEvidence       EvidenceKind = "photo"
	PhotoPairEvidence   EvidenceKind = "photo-pair"
	DrawingEvidence     EvidenceKind = "drawing"
	DrawingPairEvidence EvidenceKind = "drawing-pair"
	ClipEvidence        EvidenceKind = "clip"       // filmed, at most 20 s
	SoundEvidence       EvidenceKind = "sound"      // recorded, at most 20 s
	FlowChartEvidence   EvidenceKind = "flow-chart" // the way of something, stage by stage: place and change
	TalkEvidence        EvidenceKind = "talk"       // told to somebody, who says so
	TextEvidence        EvidenceKind = "text"
)

// EvidenceKinds are all of them.
var EvidenceKinds = []EvidenceKind{
	PhotoEvidence, PhotoPairEvidence, DrawingEvidence, DrawingPairEvidence, ClipEvidence, SoundEvidence,
	FlowChartEvidence, TalkEvidence, TextEvidence,
}

// How many stages a flow chart has at most, and how many signs a place or change.
const (
	MaxChart     = 8
	MaxChartText = 200
)

// Pair reports whether it is two pictures, of which one is taken later.
func (e *Evidence) Pair() bool { return e.Kind == PhotoPairEvidence || e.Kind == DrawingPairEvidence }

// Photographed reports whether a camera takes it.
func (e *Evidence) Photographed() bool {
	return e.Kind == PhotoEvidence || e.Kind == PhotoPairEvidence || e.Kind == ClipEvidence
}

// Drawn reports whether it is drawn by hand.
func (e *Evidence) Drawn() bool { return e.Kind == DrawingEvidence || e.Kind == DrawingPairEvidence }

// EvidenceOf finds a piece of evidence by its id.
func (d *Document) EvidenceOf(id string) (*Evidence, bool) {
	i := slices.IndexFunc(d.Evidence, func(e Evidence) bool { return e.ID == id })
	if i < 0 {
		return nil, false
	}
	return &d.Evidence[i], true
}

// StepsOf are the steps in which a piece of evidence is collected, in their order: of a
// pair the first and the second.
func (d *Document) StepsOf(evidence string) []string {
	var out []string
	for _, s := range d.Steps {
		if slices.Contains(s.Evidence, evidence) {
			out = append(out, s.ID)
		}
	}
	return out
}

func (v *validator) evidence() {
	for i := range v.d.Evidence {
		e := &v.d.Evidence[i]
		path := fmt.Sprintf("/evidence/%d", i)
		v.id("evidence", e.ID, path)
		steps := v.d.StepsOf(e.ID)
		switch {
		case len(steps) == 0:
			v.say(Error, "evidence-without-step", path, text.Args{"name": e.Name})
		case e.Pair() && len(steps) != 2:
			v.say(Error, "pair-steps", path, text.Args{"name": e.Name, "n": len(steps)})
		}
		v.choices(e.Places, path+"/places")
		if e.Length != "" {
			v.duration(e.Length, path+"/length")
		}
		if slices.Contains(e.Instead, e.Kind) {
			v.say(Error, "instead-of-itself", path+"/instead", text.Args{"name": e.Name})
		}
	}
	for i, s := range v.d.Steps {
		for k, id := range s.Evidence {
			if !v.known("evidence", id) {
				v.say(Error, "unknown-evidence", fmt.Sprintf("/steps/%d/evidence/%d", i, k), text.Args{"typed": id})
			}
		}
	}
}
