package results

import (
	"slices"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
)

// ShownView is what a home gave for one piece of evidence.
type ShownView struct {
	Evidence string      `json:"evidence"`
	Name     string      `json:"name"`
	Kind     string      `json:"kind" enum:"photo,photo-pair,drawing,drawing-pair,clip,sound,flow-chart,talk,text"`
	Pieces   []PieceView `json:"pieces"`
	Heap     string      `json:"heap,omitempty" enum:"yes,partly,no,cannot-tell" doc:"That the teacher sorted it onto"`
}

// PieceView is one picture, recording, drawing, flow chart or text.
type PieceView struct {
	Photo *uuid.UUID `json:"photo,omitempty"`

	Recording *uuid.UUID `json:"recording,omitempty" doc:"A clip or sound"`
	Sound     bool       `json:"sound,omitempty" doc:"Of a recording: it is a sound"`

	Strokes []string        `json:"strokes,omitempty" doc:"Of a drawing: points x,y in thousandths of its width; it is three quarters as high"`
	Chart   []notebook.Stop `json:"chart,omitempty" doc:"Of a flow chart: its stages"`
	Text    string          `json:"text,omitempty"`
	Second  bool            `json:"second,omitempty" doc:"Of a pair: the later one"`
	At      time.Time       `json:"at"`
}

// viewShown is what a home gave for the evidence of its design, in the design's order;
// what it gave nothing for is left out.
func viewShown(book *notebook.Book, language string) []ShownView {
	out := []ShownView{}
	for _, e := range book.Design.Evidence {
		v := ShownView{Evidence: e.ID, Kind: string(e.Kind), Pieces: []PieceView{}, Heap: book.Heaps[e.ID]}
		v.Name, _ = e.Name.In(language)
		for _, p := range book.Pieces(e.ID) {
			piece := PieceView{Text: p.Entry.Text, Second: p.Second, At: p.Entry.Measured()}
			if id, err := uuid.Parse(p.Entry.Refers); err == nil {
				switch p.Entry.Kind {
				case notebook.Photo:
					piece.Photo = &id
				case notebook.Recorded:
					piece.Recording = &id
					piece.Sound = slices.Contains(p.Entry.Choice, string(design.SoundEvidence))
				}
			}
			if g := p.Entry.Given; g != nil {
				piece.Strokes, piece.Chart = g.Strokes, g.Chart
			}
			v.Pieces = append(v.Pieces, piece)
		}
		if len(v.Pieces) > 0 {
			out = append(out, v)
		}
	}
	return out
}
