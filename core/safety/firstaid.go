package safety

import (
	"fmt"

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
	{"spill", Spilled, 3, false, false, 0},
	{"broken", Spilled, 3, false, false, 0},
	{"smoke", Spilled, 2, true, false, 0},
}

// Cards are the general first-aid cards, by door, in the order shown. They
// hold for every experiment and ship with the first opening of a family's
// page, so that they work without a connection. They follow the house rules'
// chapter "If something goes wrong" and are no medical advice.
func Cards() []Card {
	var out []Card
	for _, c := range cardTable {
		card := Card{ID: c.id, Door: c.door, CallFirst: c.callFirst, Poison: c.poison, Minutes: c.minutes, Title: text.Message{ID: "safety.card." + c.id}}
		for i := 1; i <= c.steps; i++ {
			card.Steps = append(card.Steps, text.Message{ID: fmt.Sprintf("safety.card.%s.%d", c.id, i)})
		}
		out = append(out, card)
	}
	return out
}

// General are sentences that stand on every sheet.
func General() []text.Message {
	return []text.Message{{ID: "safety.general.labels"}, {ID: "safety.general.taste"}, {ID: "safety.general.stop"}}
}

// StopRules say when to stop, on every sheet.
func StopRules() []text.Message {
	return []text.Message{{ID: "safety.stop.broken"}, {ID: "safety.stop.unwell"}, {ID: "safety.stop.unsure"}}
}
