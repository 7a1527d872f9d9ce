package results

import (
	"strconv"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	_ "patient-kitchen/internal/words" // says escaped, settling, all homes
)

// LedgeView is a class in one reading that is no number: heaps of homes by what they
// gave, a row for each condition, thing, look or word.
type LedgeView struct {
	Columns []LedgeColumn `json:"columns"`
	Rows    []LedgeRow    `json:"rows"`
	Most    int           `json:"most" doc:"What a full jar stands for"`
	Animals bool          `json:"animals,omitempty" doc:"What is counted is not homes but what they counted"`
	Middles bool          `json:"middles,omitempty" doc:"The middle home is marked"`
	Seen    []string      `json:"seen" doc:"What is there to see, without a claim"`
}

// LedgeColumn is a level, an option, a place, a zone or a condition.
type LedgeColumn struct {
	Word    string `json:"word"`
	Picture string `json:"picture,omitempty"`
}

// LedgeRow is one row of heaps.
type LedgeRow struct {
	Condition string     `json:"condition,omitempty" doc:"Id, where the row is a condition"`
	Name      string     `json:"name"`
	Heaps     []HeapView `json:"heaps"`
}

// HeapView are the homes that gave the same.
type HeapView struct {
	N      int      `json:"n"`
	Homes  []string `json:"homes" doc:"Their ids"`
	Middle bool     `json:"middle,omitempty" doc:"Of levels: the middle home is among them"`
}

func viewHeap(h compare.Heap) HeapView {
	return HeapView{h.N, append([]string{}, h.Homes...), h.Middle}
}

func viewHeaps(heaps []compare.Heap) []HeapView {
	out := make([]HeapView, len(heaps))
	for i, h := range heaps {
		out[i] = viewHeap(h)
	}
	return out
}

func viewLedge(d *design.Document, c compare.Comparison, language string) *LedgeView {
	v := &LedgeView{Columns: []LedgeColumn{}, Rows: []LedgeRow{}, Seen: []string{}, Most: 1}
	for _, g := range c.Groups {
		v.Most = max(v.Most, g.N)
		if s := text.Render(g.Seen, language); s != "" {
			v.Seen = append(v.Seen, s)
		}
	}
	switch c.Reading.Sort() {
	case design.OrderKind, design.StageOrderKind:
		v.places(d, c, language)
	case design.ZonesKind:
		v.looks(d, c, language)
	case design.WordsKind, design.SeveralKind:
		v.named(d, c, language)
	default:
		for _, k := range d.Choices(c.Reading) {
			v.Columns = append(v.Columns, LedgeColumn{in(k.Word, language), k.Picture})
		}
		for _, g := range c.Groups {
			row := LedgeRow{Condition: g.Condition, Name: laneName(d, g.Condition, language)}
			for _, k := range g.Counted {
				row.Heaps = append(row.Heaps, viewHeap(k.Heap))
				v.Middles = v.Middles || k.Middle
			}
			v.Rows = append(v.Rows, row)
		}
	}
	return v
}

// places are things by the places in which homes put them.
func (v *LedgeView) places(d *design.Document, c compare.Comparison, language string) {
	things := d.Choices(c.Reading)
	for i := range things {
		word := strconv.Itoa(i + 1)
		switch i {
		case 0:
			word += " " + in(c.Reading.From, language)
		case len(things) - 1:
			word += " " + in(c.Reading.To, language)
		}
		v.Columns = append(v.Columns, LedgeColumn{Word: word})
	}
	for _, g := range c.Groups {
		for i, thing := range g.Places {
			name := in(things[i].Word, language)
			if g.Condition != "" {
				name = laneName(d, g.Condition, language) + ", " + name
			}
			v.Rows = append(v.Rows, LedgeRow{Name: name, Heaps: viewHeaps(thing)})
		}
	}
}

// looks are the zones by looks; looks while they settle are marked.
func (v *LedgeView) looks(d *design.Document, c compare.Comparison, language string) {
	v.Animals = true
	for _, z := range d.Choices(c.Reading) {
		v.Columns = append(v.Columns, LedgeColumn{Word: in(z.Word, language)})
	}
	for _, id := range []string{"escaped", "undecided"} {
		v.Columns = append(v.Columns, LedgeColumn{Word: text.Render(text.Message{ID: "results." + id}, language)})
	}
	for _, g := range c.Groups {
		for i, look := range g.Looks {
			row := LedgeRow{Name: laneName(d, g.Condition, language), Heaps: viewHeaps(look)}
			if len(c.Reading.Times) > 0 {
				row.Name = c.Reading.Times[i]
				if g.Condition != "" {
					row.Name = laneName(d, g.Condition, language) + ", " + row.Name
				}
				for _, t := range c.Reading.Settling {
					if t == c.Reading.Times[i] {
						row.Name += " " + text.Render(text.Message{ID: "results.settling"}, language)
					}
				}
			}
			for _, heap := range look {
				v.Most = max(v.Most, heap.N)
			}
			v.Rows = append(v.Rows, row)
		}
	}
}

// named are words or options by condition: a word a row, for there are many.
func (v *LedgeView) named(d *design.Document, c compare.Comparison, language string) {
	for _, g := range c.Groups {
		v.Columns = append(v.Columns, LedgeColumn{Word: laneName(d, g.Condition, language)})
	}
	for i, word := range d.Choices(c.Reading) {
		row := LedgeRow{Name: in(word.Word, language)}
		for _, g := range c.Groups {
			row.Heaps = append(row.Heaps, viewHeap(g.Counted[i].Heap))
		}
		v.Rows = append(v.Rows, row)
	}
}

func in(t text.Localized, language string) string {
	s, _ := t.In(language)
	return s
}

// laneName is what a condition or stage is called; all homes where there is none.
func laneName(d *design.Document, id, language string) string {
	if name := in(d.LaneName(id), language); name != "" {
		return name
	}
	return text.Render(text.Message{ID: "results.all-homes"}, language)
}
