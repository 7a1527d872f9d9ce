package notebook

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
)

// turned is a value of a reading; of a direction as it lies nearest to the others of this
// home, so that what lies on both sides of straight down has its mean there.
func (b *Book) turned(r *design.Reading, q quantity.Quantity) quantity.Quantity {
	if !r.Directed() {
		return q
	}
	var all []float64
	for i := range b.Cells {
		if c := &b.Cells[i]; c.Slot.Reading == r.ID && c.State == HasValue {
			all = append(all, c.Understood.InUnit.Value)
		}
	}
	q.Value += stats.Turns(q.Value, stats.MeanDirection(all))
	return q
}
