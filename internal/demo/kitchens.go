package demo

import (
	"patient-kitchen/core/kitchen"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/kitchens"
)

// saidKitchens are what some homes of the class have said of theirs, by nickname; the
// others are taken as usual.
var saidKitchens = map[string]kitchens.Fields{
	"Bracken": {Things: map[string]kitchen.Answer{"plastic-cup": kitchen.None, "drinking-glass": kitchen.Have}},
	"Dunlin":  {Things: map[string]kitchen.Answer{"baking-soda": kitchen.Get, "lemon-whole": kitchen.Have}},
	"Fern":    {Things: map[string]kitchen.Answer{"foil-standard": kitchen.None}, Tools: map[string]string{"temperature": "1 °C"}},
	"Heather": {Things: map[string]kitchen.Answer{"lemon-whole": kitchen.Get}, Tools: map[string]string{"temperature": kitchen.NoTool}},
	"Kestrel": {Things: map[string]kitchen.Answer{"vinegar-white": kitchen.Have}, Strengths: map[string]float64{"vinegar-white": 6}},
	"Merlin":  {Things: map[string]kitchen.Answer{"vinegar-white": kitchen.Have}, Tools: map[string]string{"mass": "0.1 g"}},
	"Rowan":   {Things: map[string]kitchen.Answer{"baking-soda": kitchen.None}, Tools: map[string]string{"mass": "0.1 g"}},
}

// kitchens lets the homes say it.
func (s *seeder) kitchens(homes []app.HomeView) error {
	for _, h := range homes {
		f, said := saidKitchens[h.Nickname]
		if !said {
			continue
		}
		if err := s.app.SaveOwnKitchen(s.ctx, app.HomeActor{Class: s.class, Home: h.ID}, f); err != nil {
			return err
		}
	}
	return nil
}
