package fit

import (
	"embed"
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Item is one line of the materials list.
type Item struct {
	Need     string         // id; "" for what the steps ask for beside things
	Name     text.Message   // what it is
	Amount   text.Message   // "" where it is not measured out
	Must     text.Message   // what whatever does the job has to be; "" where nothing is asked
	Note     text.Localized // the teacher's
	Steps    []int          // numbers of the steps that use it, from 1
	Optional bool
	Unused   bool // on the design's list but in no step
}

// Materials is the list of what a home needs, made from the steps in their
// order so that nothing is left off: first things, then who and where. Amounts
// are for the whole work: all conditions and trials.
func Materials(d *design.Document, r safety.Report) []Item {
	order, steps := usedIn(d)
	var things, others []Item
	for _, id := range order {
		n, _ := d.Need(id)
		item := Item{
			Need:     id,
			Name:     text.Message{ID: "fit.thing", Args: text.Args{"thing": n.Name}},
			Amount:   AmountOf(d, n),
			Must:     mustOf(d, n),
			Note:     n.Note,
			Steps:    steps[id],
			Optional: n.Optional,
			Unused:   len(steps[id]) == 0,
		}
		if n.Kind == design.PersonNeed || n.Kind == design.PlaceNeed {
			others = append(others, item)
		} else {
			things = append(things, item)
		}
	}
	things = append(things, gear(d, r)...)
	if jobs := safety.AdultJobs(d, r.Findings); len(jobs) > 0 {
		item := Item{Name: text.Message{ID: "fit.adult"}}
		for _, j := range jobs {
			i, _ := d.Step(j.Step)
			item.Steps = append(item.Steps, i+1)
		}
		others = append(others, item)
	}
	if two := inTwos(d); len(two) > 0 {
		others = append(others, Item{Name: text.Message{ID: "fit.partner"}, Steps: two})
	}
	if len(d.Place) > 0 {
		others = append(others, Item{Name: text.Message{ID: "fit.thing", Args: text.Args{"thing": d.Place}}})
	}
	return append(things, others...)
}

// usedIn are the needs in the order in which steps use them, those of no step last, and the
// numbers of the steps of each.
func usedIn(d *design.Document) (order []string, steps map[string][]int) {
	steps = map[string][]int{}
	for i, s := range d.Steps {
		for _, id := range append([]string{s.In}, s.Uses...) {
			if _, ok := d.Need(id); !ok || slices.Contains(steps[id], i+1) {
				continue
			}
			if len(steps[id]) == 0 {
				order = append(order, id)
			}
			steps[id] = append(steps[id], i+1)
		}
	}
	for _, n := range d.Needs {
		if len(steps[n.ID]) == 0 {
			order = append(order, n.ID)
		}
	}
	return order, steps
}

// inTwos are the numbers of the steps that two people do.
func inTwos(d *design.Document) []int {
	var two []int
	for i, s := range d.Steps {
		if slices.Contains(s.Actions, "two-people") {
			two = append(two, i+1)
		}
	}
	return two
}

// gear is the protection the findings ask for, unless the design lists it.
func gear(d *design.Document, r safety.Report) []Item {
	l := d.Larder()
	if slices.ContainsFunc(d.Needs, func(n design.Need) bool {
		m, ok := l.Material(n.Material)
		return n.Role == "eye-protection" || ok && m.Is("protects-eyes", "splash", "impact")
	}) {
		return nil
	}
	var out []Item
	for _, g := range safety.BriefingOf(d, r).Gear {
		out = append(out, Item{Name: g})
	}
	return out
}

// mustOf says what whatever does a need's job has to be.
func mustOf(d *design.Document, n *design.Need) text.Message {
	var list text.Message
	for _, q := range n.Asked(d.Larder()) {
		one := text.Message{ID: "fit.quality", Args: text.Args{"quality": q.Say(q.Figure)}}
		if list.ID == "" {
			list = one
		} else {
			list = text.Message{ID: "fit.qualities", Args: text.Args{"before": list, "quality": one}}
		}
	}
	if list.ID == "" {
		return list
	}
	return text.Message{ID: "fit.must", Args: text.Args{"list": list}}
}

// Each is a need's amount of one time, with its strength.
func Each(n *design.Need) text.Message {
	once := *n
	once.PerCondition = false
	return AmountOf(&design.Document{}, &once)
}

// AmountOf is a need's whole amount: of one condition, times how often.
func AmountOf(d *design.Document, n *design.Need) text.Message {
	amount := bareAmount(d, n)
	if n.Spooned > 0 && amount.ID != "" {
		amount = text.M("fit.spooned", "amount", amount, "n", quantity.Parts(n.Spooned*float64(timesOf(d, n))))
	}
	if n.Strength == nil {
		return amount
	}
	strength := Strength(n)
	if amount.ID == "" {
		return strength
	}
	return text.Message{ID: "fit.strong", Args: text.Args{"strength": strength, "amount": amount}}
}

// Strength is a need's strength as its label says it.
func Strength(n *design.Need) text.Message {
	unit := map[string]string{"volumes": "volumes", "mol/L": "molar"}[n.Strength.Basis]
	if unit == "" {
		unit = "percent"
	}
	return text.Message{
		ID:   "fit.strength." + unit,
		Args: text.Args{"value": quantity.Quantity{Value: n.Strength.Value, Unit: quantity.One}},
	}
}

// bareAmount is the amount without the strength; "" where it is not measured
// out.
func bareAmount(d *design.Document, n *design.Need) text.Message {
	if n.AmountBy == design.ByEye {
		return text.M("fit.by-eye", "look", text.M("fit.look."+n.Look))
	}
	if n.Amount == "" {
		return text.Message{}
	}
	p, err := quantity.Parse(n.Amount)
	times := timesOf(d, n)
	if err != nil || times == 1 {
		return text.Message{ID: "fit.amount", Args: text.Args{"amount": n.Amount}}
	}
	total := p.Quantity
	total.Value, total.U = total.Value*float64(times), 0
	return text.Message{
		ID:   "fit.amount-times",
		Args: text.Args{"total": sensible(total, "exact"), "times": times, "amount": n.Amount},
	}
}

// timesOf is how often the amount of a need is used.
func timesOf(d *design.Document, n *design.Need) int {
	if n.PerCondition {
		return max(1, len(d.Conditions)) * max(1, d.Trials)
	}
	return 1
}

// sensible is an amount as a kitchen can measure it out: finer where it has to
// be exact.
func sensible(q quantity.Quantity, tolerance design.Tolerance) quantity.Kitchen {
	return quantity.Kitchen{Quantity: q, Exact: tolerance == "" || tolerance == "exact"}
}

// Swap is one line of the list of swaps.
type Swap struct {
	Use      string // by which a home says that it uses this, as of [Way.Use]
	Material text.Localized
	Form     text.Message // "" where it comes in one form
	Percent  float64
	Amount   text.Message // "" where nothing is measured out
	How      text.Message
	Class    larder.Class
	Counts   text.Message // what the class means for the home's result
	Verdict  safety.Verdict
	Graver   bool // than with the design's own: said on the list
	Rule     string
	Do       string // the rule's change of procedure, in English only
	Cautions []text.Message
	Acid     text.Message // how the acid that goes with it changes; "" where it stays
}

// SwapList is what may stand in for one need.
type SwapList struct {
	Need  *design.Need
	Swaps []Swap
}

// most is how many swaps a list names for one need.
const most = 4

// Swaps is the list of swaps of a whole experiment: for each need
// with a job, the best of what may stand in for it, judged with the safety
// rules. Needs that nothing may stand in for are left out.
func Swaps(d *design.Document) ([]SwapList, error) {
	l := d.Larder()
	var out []SwapList
	for i := range d.Needs {
		n := &d.Needs[i]
		subs, err := safety.Swaps(d, l, n)
		if err != nil {
			return nil, err
		}
		list := SwapList{Need: n}
		for _, s := range subs {
			if len(list.Swaps) == most {
				break
			}
			if s.Rule == "" && s.Class != larder.Pools {
				continue // it shares the job, but nobody has compared it: the teacher's to decide
			}
			swap := Swap{
				Use:      use(s.Material.ID, s.Form),
				Material: s.Material.Name,
				Percent:  s.Percent,
				How:      s.How,
				Class:    s.Class,
				Counts:   text.Message{ID: "fit.counts." + string(s.Class)},
				Verdict:  s.Verdict,
				Graver:   s.Graver,
				Rule:     s.Rule,
				Do:       s.Procedure,
				Acid:     s.AcidWith(),
				Cautions: s.Cautions,
			}
			if s.Form != "" {
				swap.Form = formOf(s.Form)
			}
			switch {
			case s.Amount.Value > 0 && s.MakeUp.Value > 0:
				swap.Amount = text.Message{
					ID:   "fit.made-up",
					Args: text.Args{"amount": sensible(s.Amount, n.Tolerance), "to": sensible(s.MakeUp, n.Tolerance)},
				}
			case s.Amount.Value > 0:
				swap.Amount = text.Message{ID: "fit.amount", Args: text.Args{"amount": sensible(s.Amount, n.Tolerance)}}
				if times := timesOf(d, n); times > 1 {
					total := s.Amount
					total.Value, total.U = total.Value*float64(times), total.U*float64(times)
					swap.Amount = text.Message{
						ID: "fit.amount-times",
						Args: text.Args{
							"total":  sensible(total, n.Tolerance),
							"times":  times,
							"amount": sensible(s.Amount, n.Tolerance),
						},
					}
				}
			}
			list.Swaps = append(list.Swaps, swap)
		}
		if len(list.Swaps) > 0 {
			out = append(out, list)
		}
	}
	return out, nil
}
