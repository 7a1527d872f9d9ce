package science

import (
	"encoding/json"
	"regexp"
	"sort"

	"patient-kitchen/core/formula"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

func init() {
	register(Model{Number: 32, ID: "formula", Group: "read", Main: "value",
		Inputs: []Input{
			{Name: "expression", Unit: "text"},
			{Name: "symbols", Unit: "symbols", Optional: true, Help: "name-value-and-u"},
			{Name: "unit", Unit: "text", Optional: true, Help: "of-the-result"},
		},
		Outputs: []Output{{"value", "as asked", "u"}, {"u", "as asked", ""}},
		run:     expression})
	register(Model{Number: 33, ID: "quantity-parse", Group: "read", Main: "canonical",
		Inputs: []Input{{Name: "text", Unit: "text", Help: "as-a-family-would-write-it"}},
		Outputs: []Output{
			{"value", "as written", ""},
			{"canonical", "canonical", ""},
			{"low", "as written", ""},
			{"high", "as written", ""},
		},
		run: func(a *args) results {
			p, err := quantity.Parse(a.text("text"))
			if err != nil {
				stop("text", "said", "a", text.Why(err))
			}
			unit := quantity.Canonical(p.Unit.Dim)
			can, err := p.In(unit)
			if err != nil {
				stop("text", "said", "a", text.Why(err))
			}
			out := results{"value": num(p.Value, p.Unit.Symbol), "canonical": num(can.Value, unit.Symbol)}
			if p.IsRange {
				out["low"], out["high"] = num(p.Low, p.Unit.Symbol), num(p.High, p.Unit.Symbol)
			}
			return out
		}})
}

var symbolName = regexp.MustCompile(`^[A-Za-z_][A-Za-z0-9_]*$`)

func expression(a *args) results {
	type symbol struct{ Value, U json.RawMessage }
	e, err := formula.ParseCore(a.text("expression"))
	if err != nil {
		stop("expression", "said", "a", text.Why(err))
	}
	given := map[string]symbol{}
	if a.has("symbols") && json.Unmarshal(a.raw["symbols"], &given) != nil {
		stop("symbols", "have-to-be-names-with-a")
	}
	names := make([]string, 0, len(given))
	for n := range given {
		names = append(names, n)
	}
	sort.Strings(names)
	env := formula.Env{}
	for _, n := range names {
		place := "symbols." + n
		if !symbolName.MatchString(n) {
			stop(place, "is-not-a-name")
		}
		if given[n].Value == nil {
			stop(place, "needs-a-value")
		}
		q, _ := readQuantity(place, given[n].Value)
		if given[n].U != nil {
			u, _ := readQuantity(place, given[n].U)
			if u.Unit.Dim != q.Unit.Dim || u.Value < 0 {
				stop(place, "u-has-to-be-a-of", "a", q.Unit.Dim.Words())
			}
			q.U = u.Value * u.Unit.Factor / q.Unit.Factor
		}
		env[n] = formula.One(q)
	}
	unit := ""
	if a.has("unit") {
		unit = a.text("unit")
	}
	q, err := e.Eval(env, unit)
	if err != nil {
		stop("expression", "said", "a", text.Why(err))
	}
	if a.working != nil {
		a.steps = append(a.steps, Step{"value", e, env, q})
	}
	// u of a temperature is a difference, in kelvin.
	u := num(q.U, q.Unit.Symbol)
	if q.Unit.Dim == quantity.Temperature {
		u = num(q.USI(), "K")
	}
	return results{"value": num(q.Value, q.Unit.Symbol), "u": u}
}
