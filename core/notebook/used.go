package notebook

import (
	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
)

// Portion is the amount of a need in one condition; "" is in all.
type Portion struct{ Need, Condition string }

// used binds the symbols of amounts to what was really used in a lane, where the home
// said so: of the condition, else of all.
func (b *Book) used(env formula.Env, lane string) formula.Env {
	for i := range b.Design.Needs {
		n := &b.Design.Needs[i]
		typed, said := b.Amounts[Portion{n.ID, lane}]
		if !said {
			typed, said = b.Amounts[Portion{n.ID, ""}]
		}
		if q, ok := n.Used(typed, b.Writer); said && ok {
			env[n.Symbol] = formula.Binding{Values: []quantity.Quantity{q}}
		}
	}
	return env
}
