package kitchens

import (
	"patient-kitchen/core/fit"
	"patient-kitchen/core/text"
)

// Group are the homes of a class that take part in the same way.
type Group struct {
	Verdict string   `json:"verdict" enum:"as-designed,with-substitutes,needs-a-kit,part,shared-readings"`
	Homes   []string `json:"homes" doc:"Nicknames; with what is sent or used instead"`
	Silent  int      `json:"silent,omitempty" doc:"How many of them have said nothing and are taken as usual"`
}

// Gets says who of a class gets what.
type Gets struct {
	Says   string  `json:"says" doc:"The class in a sentence"`
	Groups []Group `json:"groups" doc:"As designed first"`
}

// GetsOf groups the homes of a plan by how they take part. The homes are in the order of
// the plan's.
func GetsOf(homes []Home, plan fit.Plan, language string) Gets {
	out := Gets{Groups: []Group{}}
	if len(homes) == 0 {
		return out
	}
	out.Says = text.Render(plan.Sentence(), language)
	for _, v := range fit.Verdicts {
		g := Group{Verdict: string(v), Homes: []string{}}
		for i := range plan.Homes {
			p := &plan.Homes[i]
			if p.Verdict != v {
				continue
			}
			if p.Assumed {
				g.Silent++
			}
			g.Homes = append(g.Homes, homes[i].Nickname+beside(p, language))
		}
		if len(g.Homes) > 0 {
			out.Groups = append(out.Groups, g)
		}
	}
	return out
}

// beside is what a home uses instead or is sent, behind its name.
func beside(p *fit.HomePlan, language string) string {
	var things text.List
	if p.Verdict == fit.SharedReadings {
		return ""
	}
	for i := range p.Choices {
		if c := &p.Choices[i]; !c.Without && (c.Kit || !c.Own) {
			name, _ := c.Called().In(language)
			things = append(things, text.M("fit.thing", "thing", name))
		}
	}
	return inBrackets(things, language)
}

// inBrackets lists things behind what they belong to.
func inBrackets(things text.List, language string) string {
	if len(things) == 0 {
		return ""
	}
	return " (" + text.Render(text.M("fit.thing", "thing", things), language) + ")"
}

// Replanned is what planning a class again would change.
type Replanned struct {
	Was     string       `json:"was" doc:"The class in a sentence, as it is planned"`
	Now     string       `json:"now" doc:"As it would be"`
	Changes []HomeChange `json:"changes" doc:"The homes that would do something else"`
}

// HomeChange is what a home would do instead.
type HomeChange struct {
	Home string `json:"home" doc:"Nickname"`
	Was  string `json:"was"`
	Now  string `json:"now"`
}

// ReplannedOf says what differs between two plans of the same homes.
func ReplannedOf(homes []Home, was, now fit.Plan, language string) Replanned {
	out := Replanned{Was: text.Render(was.Sentence(), language), Now: text.Render(now.Sentence(), language),
		Changes: []HomeChange{}}
	for i := range was.Homes {
		a, b := doingOf(&was.Homes[i], language), doingOf(&now.Homes[i], language)
		if a != b {
			out.Changes = append(out.Changes, HomeChange{homes[i].Nickname, a, b})
		}
	}
	return out
}

// doingOf is how a home takes part, and with what.
func doingOf(p *fit.HomePlan, language string) string {
	return text.Render(text.M("kitchens.verdict."+string(p.Verdict)), language) + beside(p, language)
}
