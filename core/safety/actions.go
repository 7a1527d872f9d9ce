package safety

import (
	_ "embed"
	"encoding/json"
	"slices"
	"strings"
	"sync"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// heatActions are the actions whose verdict a temperature decides.
var heatActions = []string{"warm-water", "hot-water", "heat"}

//go:embed actions.json
var actionsFile []byte

// ActionGroup is a group of actions, as a teacher looks for them.
type ActionGroup struct {
	Name    string
	Never   bool // none of them goes home
	Actions []ActionWord
}

// ActionWord is an action with its words.
type ActionWord struct{ ID, Name string }

// actionGroups are the groups in the file's order, by language.
var actionGroups = sync.OnceValue(readActionGroups)

func readActionGroups() map[string][]ActionGroup {
	var file []struct {
		Group   map[string]string
		Actions []map[string]string // id, and the word in each language
	}
	if err := json.Unmarshal(actionsFile, &file); err != nil {
		panic(err) // it ships with the program
	}
	_, barred := Actions()
	out := map[string][]ActionGroup{}
	for _, language := range text.Languages {
		for _, g := range file {
			group := ActionGroup{Name: g.Group[language]}
			for _, a := range g.Actions {
				group.Actions = append(group.Actions, ActionWord{a["id"], a[language]})
				group.Never = slices.Contains(barred, a["id"])
			}
			out[language] = append(out[language], group)
		}
	}
	return out
}

// ActionGroups lists the actions that rules know in a language's words, the
// common ones first, what never goes home last.
func ActionGroups(language string) []ActionGroup {
	return actionGroups()[text.Of(language).Code]
}

// ActionName is what an action is called; one that no rule knows is called as it
// was written.
func ActionName(id string) text.Localized {
	out := text.Localized{}
	for language, groups := range actionGroups() {
		for _, g := range groups {
			for _, a := range g.Actions {
				if a.ID == id {
					out[language] = a.Name
				}
			}
		}
	}
	if len(out) == 0 {
		out[text.Languages[0]] = strings.ReplaceAll(id, "-", " ")
	}
	return out
}

// step judges what is done in one step.
func (j *judge) step(s *design.Step) {
	heated := false
	for _, a := range s.Actions {
		heated = heated || slices.Contains(heatActions, a)
		j.action(s, a)
	}
	if !heated && s.Heat != "" {
		j.heat(s, "heat")
	}
	for _, e := range j.d.Evidence {
		if e.Photographed() && slices.Contains(s.Evidence, e.ID) {
			j.say(named("privacy", "photo"), []string{s.ID}, nil, "", nil)
		}
	}
}

// action judges one action of a step. To electrolyse is judged with what is in the vessel.
func (j *judge) action(s *design.Step, a string) {
	switch {
	case slices.Contains(heatActions, a):
		j.heat(s, a)
	case a == "taste":
		name := "mixed"
		if j.food() {
			name = "food"
		}
		j.say(named("taste", name), []string{s.ID}, nil, a, nil)
	case a == "smell" || a == "on-skin":
		j.onBody(s, a)
	case a == "electrolyse":
	default:
		h, known := byAction[a]
		if !known {
			h = named("unknown", "action")
		}
		if f := j.say(h, []string{s.ID}, nil, a, nil); f != nil && !known {
			f.Asks = true
		}
	}
}

// onBody judges what is smelt or put on the body on purpose by what it is:
// food and listed things, else what nobody has said, else what never may.
func (j *judge) onBody(s *design.Step, action string) {
	id, name := "irritant", "smell"
	if action == "on-skin" {
		id, name = "mouth", "on-skin"
	}
	hand := j.handled(s)
	worst := ""
	for _, c := range hand {
		switch {
		case neverOnBody(c.material, action):
			worst = "never"
		case worst == "" && c.material.Own:
			worst = "unsaid"
		}
	}
	if worst == "" && len(hand) == 0 {
		worst = "unsaid"
	}
	switch {
	case worst == "":
	case id == "irritant":
		name = "smell-unsaid"
	default:
		name = "on-skin-" + worst
	}
	f := j.say(named(id, name), []string{s.ID}, nil, action, nil)
	if f != nil && worst == "unsaid" {
		f.Asks = true
	}
}

// neverOnBody reports whether a material may never be smelt or, on the skin, put there.
func neverOnBody(m *larder.Material, action string) bool {
	if m.Refused || isPeroxide(m) || isFuel(m) || m.Is("metal", "lead") {
		return true
	}
	return action == "on-skin" && (isAcid(m) && !m.Is("tasted", "yes") || m.Is("cold", "freezer", "colder") ||
		isAlkali(m) && !m.Is("cleaner", "soap") || m.Is("warms", "warm", "hot"))
}

// heat judges a step by its highest temperature; one that is not said is
// judged as the highest.
func (j *judge) heat(s *design.Step, action string) {
	name := "above"
	t, ok := celsius(s.Heat)
	switch {
	case !ok:
		m := missing{step: s.ID, heat: true}
		if !slices.Contains(j.missing, m) {
			j.missing = append(j.missing, m)
		}
	case t <= 30 && action == "heat":
		return // no warmer than a hand
	case t <= 45:
		name = "45"
	case t <= 60:
		name = "60"
	}
	if (!ok || t > 60) &&
		slices.ContainsFunc(
			j.handled(s),
			func(c content) bool { return holdsHeat(c.material) && !c.material.Is("lights", "flame") },
		) {
		name = "fat" // oil, wax and syrup get hotter than water
	}
	f := j.say(named("heat", name), []string{s.ID}, nil, action, nil)
	if f != nil && !ok {
		f.Asks = true
	}
}

// celsius reads a typed temperature.
func celsius(typed string) (float64, bool) {
	p, err := quantity.Parse(typed)
	if err != nil || p.Unit.Dim != quantity.Temperature {
		return 0, false
	}
	return p.SI() + p.USI() - 273.15, true
}
