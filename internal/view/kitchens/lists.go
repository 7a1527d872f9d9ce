package kitchens

import (
	"cmp"
	"math"
	"slices"
	"time"

	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// spare is what is packed beside what is needed, for spoiled tries.
const spare = 1.1

// packed are the things that homes of a plan need from somebody, thing by thing: of those
// choices that a list is about. Nothing is sent to who only looks on.
func packed(plan fit.Plan, nick map[string]string, language string, wanted func(fit.Choice) bool) []Packed {
	var out []Packed
	at := map[string]int{}
	var totals []quantity.Quantity
	say := func(q quantity.Quantity) string {
		return text.Render(text.M("fit.amount", "amount", quantity.Kitchen{Quantity: q}), language)
	}
	for i := range plan.Homes {
		h := &plan.Homes[i]
		if h.Verdict == fit.SharedReadings {
			continue
		}
		for _, c := range h.Choices {
			if c.Without || !wanted(c) {
				continue
			}
			each, more := "", c.Amount
			if more.Value, more.U = more.Value*spare, 0; more.Value > 0 {
				each = say(more)
			}
			k, known := at[c.Use()]
			if !known {
				k = len(out)
				at[c.Use()] = k
				p := Packed{Each: each, Lent: c.Kit && c.Material.Lent(), Cost: larder.Said(c.Material.Cost, language),
					Place: larder.Said(c.Material.UsualPlace, language)}
				if !p.Lent {
					p.Get = c.Material.Getting().Says(language)
				}
				p.Name, _ = c.Called().In(language)
				out, totals = append(out, p), append(totals, quantity.Quantity{Unit: more.Unit})
			}
			if in, err := more.In(totals[k].Unit); err == nil {
				totals[k].Value += in.Value
			} else {
				totals[k].Value = math.NaN() // some by mass, some by pieces
			}
			if out[k].Each != each {
				out[k].Each = "" // they need different amounts
			}
			out[k].Homes = append(out[k].Homes, nick[h.Home])
		}
	}
	for k := range out {
		if total := totals[k]; total.Value > 0 && len(out[k].Homes) > 1 {
			out[k].Total = say(total)
		}
	}
	slices.SortStableFunc(out, func(a, b Packed) int {
		return cmp.Or(-cmp.Compare(len(a.Homes), len(b.Homes)), cmp.Compare(a.Name, b.Name))
	})
	return out
}

// TooLate are the things that homes of a plan need from somebody and that take longer to
// get than until the work is due, by name.
func TooLate(plan fit.Plan, until time.Duration, language string) []string {
	var out []string
	for i := range plan.Homes {
		h := &plan.Homes[i]
		if h.Verdict == fit.SharedReadings {
			continue
		}
		for _, c := range h.Choices {
			if c.Without || !c.Get && (!c.Kit || c.Material.Lent()) {
				continue
			}
			if name, ok := c.Called().In(language); ok && !slices.Contains(out, name) &&
				time.Duration(c.Material.Getting().Days)*24*time.Hour > until {
				out = append(out, name)
			}
		}
	}
	slices.Sort(out)
	return out
}
