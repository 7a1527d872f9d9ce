package notebook

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

// Called is what an object is called: by the home, or before it has named it by the
// design.
func (b *Book) Called(object, language string) string {
	if name, ok := b.Names[object]; ok {
		return name
	}
	o, n := b.Design.ObjectOf(object)
	if o == nil {
		return ""
	}
	s, _ := o.Called(n).In(language)
	return s
}

// limits marks the readings of objects that do not keep to what their sort has to be
// like: too small, too large, or too like another one. The later of two is marked.
func (b *Book) limits() {
	for i := range b.Design.Objects {
		for _, l := range b.Design.Objects[i].Limits {
			cells := b.ofSort(&b.Design.Objects[i], l.Reading)
			for k, c := range cells {
				b.within(c, l)
				for _, other := range cells[:k] {
					b.apart(c, other, l)
				}
			}
		}
	}
}

// ofSort are the cells of a reading of one sort of objects that have a value.
func (b *Book) ofSort(o *design.Object, of string) []*Cell {
	var out []*Cell
	for i := range b.Cells {
		c := &b.Cells[i]
		if c.Slot.Reading != of || c.State != HasValue || c.Entry == nil {
			continue
		}
		if sort, _ := b.Design.ObjectOf(c.Slot.Object); sort == o {
			out = append(out, c)
		}
	}
	return out
}

func (b *Book) within(c *Cell, l design.Limit) {
	v := c.Understood.InUnit
	low, hasLow := quantity.ParseOK(l.Low)
	high, hasHigh := quantity.ParseOK(l.High)
	if hasLow && v.SI() < low.SI() || hasHigh && v.SI() > high.SI() {
		c.Understood.Checks = append(c.Understood.Checks, reading.Check{
			Code: "not-as-chosen",
			Message: text.Message{
				ID:   "notebook.not-as-chosen",
				Args: text.Args{"thing": b.Called(c.Slot.Object, b.Writer.Language)},
			},
		})
	}
}

func (b *Book) apart(c, other *Cell, l design.Limit) {
	least, ok := quantity.ParseOK(l.Apart)
	alike := c.Slot
	alike.Object = other.Slot.Object
	if !ok || alike != other.Slot || c.Slot == other.Slot {
		return
	}
	if other.Entry.Measured().After(c.Entry.Measured()) {
		c, other = other, c
	}
	name := b.Called(other.Slot.Object, b.Writer.Language)
	if check, is := reading.TooAlike(c.Understood.InUnit, other.Understood.InUnit, least.Quantity, name); is {
		c.Understood.Checks = append(c.Understood.Checks, check)
	}
}
