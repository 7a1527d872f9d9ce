package demo

import (
	"maps"

	"patient-kitchen/core/kitchen"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/kitchens"
)

// usual is what a home of the moor has, as far as the experiments ask.
var usual = kitchens.Fields{
	Things: map[string]kitchen.Answer{
		"baking-soda": kitchen.Have, "baking-tray": kitchen.Have, "bubble-wrap": kitchen.Have,
		"drinking-glass": kitchen.Have,
		"fabric-wool":    kitchen.Have, "jam-jar": kitchen.Have, "kidney-bean-dry": kitchen.Have,
		"lemon-whole": kitchen.Have,
		"mug":         kitchen.Have, "orange-juice": kitchen.Have, "plastic-cup": kitchen.Have,
		"ruler-30":        kitchen.Have,
		"spoon-measuring": kitchen.Have, "sugar-granulated": kitchen.Have, "table-salt": kitchen.Have,
		"water-tap": kitchen.Have,
	},
	Tools: map[string]string{"mass": "1 g", "length": "1 mm", "temperature": "1 °C"},
}

// departs are the homes whose kitchen is not the usual one, by nickname.
var departs = map[string]kitchens.Fields{
	"Adder": {Tools: map[string]string{"mass": kitchen.NoTool}},
	"Bracken": {Things: map[string]kitchen.Answer{"plastic-cup": kitchen.None},
		Tools: map[string]string{"mass": "0.1 g"}},
	"Dunlin": {Things: map[string]kitchen.Answer{"baking-soda": kitchen.Get, "jam-jar": kitchen.None}},
	"Fern": {Things: map[string]kitchen.Answer{"baking-soda": kitchen.None, "baking-powder": kitchen.Have,
		"foil-standard": kitchen.None}},
	"Foxglove": {Things: map[string]kitchen.Answer{"jam-jar": kitchen.None},
		Facts: map[string]string{"under-4": "yes", "within-reach": "yes"}},
	"Hare": {Tools: map[string]string{"mass": "0.1 g"}},
	"Heather": {Things: map[string]kitchen.Answer{"lemon-whole": kitchen.Get},
		Tools: map[string]string{"temperature": kitchen.NoTool}},
	"Juniper": {Things: map[string]kitchen.Answer{"baking-tray": kitchen.None},
		Tools: map[string]string{"mass": kitchen.NoTool}},
	"Kestrel": {Things: map[string]kitchen.Answer{"jam-jar": kitchen.None, "vinegar-white": kitchen.Have},
		Strengths: map[string]float64{"vinegar-white": 6}},
	"Lapwing": {Things: map[string]kitchen.Answer{"fabric-wool": kitchen.None, "scarf": kitchen.Have},
		Facts: map[string]string{"allergen-egg": "yes"}},
	"Merlin": {Things: map[string]kitchen.Answer{"vinegar-white": kitchen.Have},
		Tools: map[string]string{"mass": "0.1 g"}},
	"Rowan": {Things: map[string]kitchen.Answer{"baking-soda": kitchen.None, "baking-powder": kitchen.None},
		Tools: map[string]string{"mass": "0.1 g"}},
	"Wheatear": {Tools: map[string]string{"mass": "0.1 g", "temperature": "0.1 °C"}},
}

// silent homes have not said anything yet.
var silent = map[string]bool{"Gorse": true, "Snipe": true}

// kitchens lets the homes say what they have.
func (s *seeder) kitchens(homes []app.HomeView) error {
	for _, h := range homes {
		if silent[h.Nickname] {
			continue
		}
		own := departs[h.Nickname]
		f := kitchens.Fields{
			Things: maps.Clone(usual.Things), Tools: maps.Clone(usual.Tools), Strengths: own.Strengths,
			Facts: own.Facts,
		}
		maps.Copy(f.Things, own.Things)
		maps.Copy(f.Tools, own.Tools)
		if err := s.app.SaveOwnKitchen(s.ctx, app.HomeActor{Class: s.class, Home: h.ID}, f); err != nil {
			return err
		}
	}
	return nil
}
