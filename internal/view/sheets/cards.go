package sheets

import (
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// ClassCard is what a family sees of the class: never another home.
type ClassCard struct {
	Name            string `json:"name"`
	School          string `json:"school"`
	Teacher         string `json:"teacher"`
	Zone            string `json:"zone"`
	UnitSystem      string `json:"unit_system"`
	EmergencyNumber string `json:"emergency_number"`
	PoisonNumber    string `json:"poison_number"`
	PhotoDays       int    `json:"photo_days"`
	KeepUntil       string `json:"keep_until"`
}

// CardView is one first-aid card.
type CardView struct {
	ID        string   `json:"id"`
	Door      string   `json:"door" enum:"hurt,spilled,not-working"`
	Title     string   `json:"title"`
	Steps     []string `json:"steps"`
	CallFirst bool     `json:"call_first"`
	Poison    bool     `json:"poison"`
	Minutes   int      `json:"minutes"`
}

// FirstAid renders the first-aid cards in a language.
func FirstAid(language string) []CardView {
	out := []CardView{}
	for _, c := range safety.Cards() {
		v := CardView{
			ID:        c.ID,
			Door:      string(c.Door),
			Title:     text.Render(c.Title, language),
			CallFirst: c.CallFirst,
			Poison:    c.Poison,
			Minutes:   c.Minutes,
		}
		for _, s := range c.Steps {
			v.Steps = append(v.Steps, text.Render(s, language))
		}
		out = append(out, v)
	}
	return out
}
