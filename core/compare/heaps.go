package compare

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

// Heaps are what homes showed for one piece of evidence, sorted by their teacher as yes,
// partly or no. Nothing is worked out of a picture by itself.
type Heaps struct {
	Evidence        string
	Yes, Partly, No int
	CannotTell      int
	Unsorted        int     // shown, and not sorted yet
	Low, High       float64 // ends of the share that is yes among such homes, 19 in 20 (Clopper and Pearson, 1934)
}

// Told is how many homes it could be told of.
func (h *Heaps) Told() int { return h.Yes + h.Partly + h.No }

// HeapsOf counts the heaps of the evidence of which something is sorted, in the order of the
// design.
func HeapsOf(d *design.Document, homes []Home) []Heaps {
	var out []Heaps
	for _, e := range d.Evidence {
		h := Heaps{Evidence: e.ID}
		for _, home := range homes {
			switch home.Book.Heaps[e.ID] {
			case design.Yes:
				h.Yes++
			case design.Partly:
				h.Partly++
			case design.No:
				h.No++
			case notebook.CannotTell:
				h.CannotTell++
			default:
				if len(home.Book.Pieces(e.ID)) > 0 {
					h.Unsorted++
				}
			}
		}
		if h.Told()+h.CannotTell == 0 {
			continue
		}
		if share, err := stats.Share(h.Yes, h.Told(), .5, stats.Claim{}); err == nil {
			h.Low, h.High = share.Low, share.High
		}
		out = append(out, h)
	}
	return out
}

// Words say the heaps, and who made them.
func (h *Heaps) Words(by string) text.Message {
	id := "compare.heaps"
	if h.Told() < MinHomes {
		id = "compare.heaps-few"
	}
	return text.M(id, "yes", h.Yes, "partly", h.Partly, "no", h.No, "n", h.Told(), "cannot", h.CannotTell,
		"low", int(100*h.Low+.5), "high", int(100*h.High+.5), "by", by)
}
