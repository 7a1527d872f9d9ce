package safety

import (
	"fmt"
	"slices"

	"patient-kitchen/core/text"
)

// Door is one of the three ways into "Something went wrong".
type Door string

// The doors, in the order shown.
const (
	Hurt       Door = "hurt"
	Spilled    Door = "spilled"
	NotWorking Door = "not-working"
)

// Card is one set of first-aid or mending instructions. Steps are shown one
// at a time. CallFirst cards show the emergency number before anything else;
// Minutes starts a clock (rinsing, cooling).
type Card struct {
	ID        string
	Door      Door
	Title     text.Message
	Steps     []text.Message
	CallFirst bool
	Poison    bool // the poison-advice number stands beside the emergency one
	Minutes   int
}

var cardTable = []struct {
	id        string
	door      Door
	steps     int
	callFirst bool
	poison    bool
	minutes   int
}{
	{"burn", Hurt, 4, false, false, 20},
	{"eye", Hurt, 4, false, true, 20},
	{"swallowed", Hurt, 4, false, true, 0},
	{"choking", Hurt, 3, true, false, 0},
	{"cut", Hurt, 3, false, false, 10},
	{"skin", Hurt, 3, false, true, 20},
	{"fire", Hurt, 2, true, false, 0},
	{"unwell", Hurt, 3, false, true, 0},
	{"cell", Hurt, 2, true, true, 0},
	{"fumes", Hurt, 3, false, true, 0},
	{"allergy", Hurt, 3, true, false, 0},
	{"shock", Hurt, 3, true, false, 0},
	{"sting", Hurt, 2, false, false, 0},
	{"stuck", Hurt, 2, false, false, 0},
	{"spill", Spilled, 3, false, false, 0},
	{"broken", Spilled, 3, false, false, 0},
	{"smoke", Spilled, 2, true, false, 0},
}

// always are the cards that every experiment carries, whatever it is made of.
var always = []string{"burn", "eye", "swallowed", "choking", "cut", "fire", "unwell", "spill", "broken", "smoke"}

// Cards are all first-aid cards, by door, in the order shown. They follow the
// chapter "If something goes wrong" of the house rules and are no medical
// advice.
func Cards() []Card {
	var out []Card
	for _, c := range cardTable {
		card := Card{
			ID:        c.id,
			Door:      c.door,
			CallFirst: c.callFirst,
			Poison:    c.poison,
			Minutes:   c.minutes,
			Title:     text.Message{ID: "safety.card." + c.id},
		}
		for i := 1; i <= c.steps; i++ {
			card.Steps = append(card.Steps, text.Message{ID: fmt.Sprintf("safety.card.%s.%d", c.id, i)})
		}
		out = append(out, card)
	}
	return out
}

// CardsFor are the ids of the cards that an experiment with these findings
// carries: those its own materials and actions can call for first, then those
// that every one carries.
func CardsFor(findings []Hazard) []string {
	var own []string
	for _, f := range findings {
		for _, a := range f.Aid {
			if !slices.Contains(own, a) {
				own = append(own, a)
			}
		}
	}
	var out []string
	for _, c := range cardTable {
		if slices.Contains(own, c.id) {
			out = append(out, c.id)
		}
	}
	for _, id := range always {
		if !slices.Contains(out, id) {
			out = append(out, id)
		}
	}
	return out
}

// General are sentences that stand on every sheet.
func General() []text.Message {
	return []text.Message{{ID: "safety.general.labels"}, {ID: "safety.general.taste"}, {ID: "safety.general.stop"}}
}

// StopRules say when to stop: what this experiment can bring first, then what
// stands on every sheet.
func StopRules(findings []Hazard) []text.Message {
	var out []text.Message
	cards := CardsFor(findings)
	for _, id := range []string{"eye", "burn", "fumes"} {
		if i := slices.Index(cards, id); i >= 0 &&
			slices.ContainsFunc(findings, func(f Hazard) bool { return slices.Contains(f.Aid, id) }) {
			out = append(out, text.Message{ID: "safety.stop." + id})
		}
	}
	if slices.ContainsFunc(findings, func(f Hazard) bool { return f.Rule == "gas-flexible" || f.Rule == "launcher" }) {
		out = append(out, text.Message{ID: "safety.stop.swell"})
	}
	return append(
		out,
		text.Message{ID: "safety.stop.broken"},
		text.Message{ID: "safety.stop.unwell"},
		text.Message{ID: "safety.stop.unsure"},
	)
}
