package safety

import (
	"embed"
	"encoding/json"
	"fmt"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// RulesVersion is stored with every plan that was issued under these rules.
const RulesVersion = 2

// Verdict is how a step may be done; they are ordered, mildest first.
type Verdict string

// The four verdicts. "Adult" is someone of 18 or over, named by the guardian.
const (
	Care      Verdict = "care"        // the student, with the stated care
	AdultNear Verdict = "adult-near"  // up to 10 within reach, up to 13 in the room, up to 18 within call
	AdultDoes Verdict = "adult-does"  // the student watches or records
	NotAtHome Verdict = "not-at-home" // the teacher shows it and shares the readings
)

// Verdicts are all of them, mildest first.
var Verdicts = []Verdict{Care, AdultNear, AdultDoes, NotAtHome}

// Worse reports whether v stands above w.
func (v Verdict) Worse(w Verdict) bool {
	return slices.Index(Verdicts, v) > slices.Index(Verdicts, w)
}

// byBand is a verdict for each age band, youngest first; an absolute one
// holds whatever the way of working or the teacher's reason.
type byBand struct {
	at       [4]Verdict
	absolute bool
}

var letters = map[string]Verdict{"C": Care, "N": AdultNear, "D": AdultDoes, "X": NotAtHome}

// UnmarshalText reads "C", "D/D/N/C" or "X!".
func (b *byBand) UnmarshalText(data []byte) error {
	s, absolute := strings.CutSuffix(string(data), "!")
	parts := strings.Split(s, "/")
	if len(parts) == 1 {
		parts = []string{parts[0], parts[0], parts[0], parts[0]}
	}
	if len(parts) != 4 {
		return fmt.Errorf("a verdict has one letter or four, not %q", data)
	}
	for i, p := range parts {
		v, ok := letters[p]
		if !ok || absolute && v != NotAtHome {
			return fmt.Errorf("no verdict is written %q", data)
		}
		b.at[i] = v
	}
	b.absolute = absolute
	return nil
}

// clause is one line of a rule: what it speaks of, and the verdict.
type clause struct {
	Name      string              `json:"case"`
	Actions   []string            `json:"actions"`
	Is        map[string][]string `json:"is"`       // properties of a material, one of which is enough
	Together  []string            `json:"together"` // kinds of thing in one vessel
	Vessel    string              `json:"vessel"`   // of these: only when it is open, or closed
	Evening   []string            `json:"evening"`  // kinds of thing in one evening
	Tags      []string            `json:"tags"`
	Unless    []string            `json:"unless"` // tags of which another rule says more
	Roles     []string            `json:"roles"`
	Substance string              `json:"substance"` // a group of strengths
	Over      float64             `json:"over"`      // above this strength in %, or temperature in °C
	Upto      float64             `json:"upto"`
	OverML    float64             `json:"over_ml"`
	UptoML    float64             `json:"upto_ml"`
	Lowerable bool                `json:"lowerable"` // by one level, with a written reason
	Keeps     bool                `json:"keeps"`     // nothing of it has to be cleared away
	Verdict   byBand              `json:"verdict"`
}

type rule struct {
	ID       string   `json:"id"`
	Part     string   `json:"part"`
	Quiet    bool     `json:"quiet"`    // everyday: no sentence for the family
	Fallback bool     `json:"fallback"` // speaks of a material only when no other rule about stuff does
	Instead  []string `json:"instead"`  // materials to offer first
	Gear     []string `json:"gear"`
	Aid      []string `json:"aid"` // first-aid cards it can need
	Clear    string   `json:"clear"`
	Clauses  []clause `json:"cases"`
}

//go:embed rules.json
var rulesFile []byte

//go:embed texts/*.json
var texts embed.FS

var (
	rules    []rule
	byID     = map[string]*rule{}
	byAction = map[string]hit{}

	combinations []combination // clauses about what is together in a vessel
	evenings     []hit         // and in an evening
)

// combination is a clause about contents, with the kinds it needs.
type combination struct {
	hit
	mask mask
}

// hit is a clause with its rule and place in the book.
type hit struct {
	*rule
	*clause
	at int
}

func init() {
	text.Register(texts)
	if err := json.Unmarshal(rulesFile, &rules); err != nil {
		panic(fmt.Sprintf("safety: rules.json: %v", err))
	}
	for i := range rules {
		r := &rules[i]
		byID[r.ID] = r
		for j := range r.Clauses {
			c := &r.Clauses[j]
			if len(c.Together) > 0 {
				combinations = append(combinations, combination{hit{r, c, i}, maskOf(c.Together)})
			}
			if len(c.Evening) > 0 {
				evenings = append(evenings, hit{r, c, i})
			}
			for _, a := range c.Actions {
				if _, taken := byAction[a]; taken {
					panic("safety: two rules speak of the action " + a)
				}
				byAction[a] = hit{r, c, i}
			}
		}
	}
	for _, a := range heatActions {
		byAction[a] = named("heat", "above")
	}
	byAction["taste"], byAction["electrolyse"] = named("taste", "mixed"), named("electrolysis", "bad")
}

// clauseOf finds a clause by its name; it panics on a name that the book does
// not have, which a test would find.
func clauseOf(id, name string) *clause {
	for i := range byID[id].Clauses {
		if c := &byID[id].Clauses[i]; c.Name == name {
			return c
		}
	}
	panic("safety: rule " + id + " has no case " + name)
}

// RuleIDs lists the rules in the order of the book.
func RuleIDs() []string {
	ids := make([]string, len(rules))
	for i, r := range rules {
		ids[i] = r.ID
	}
	return ids
}

// Actions lists the words that steps may use for what is done, by what the
// strictest age band may do: those that go home, and those that never do.
func Actions() (allowed, barred []string) {
	for _, r := range rules {
		for _, c := range r.Clauses {
			if c.Verdict.absolute {
				barred = append(barred, c.Actions...)
			} else {
				allowed = append(allowed, c.Actions...)
			}
		}
		switch r.ID {
		case "heat":
			allowed = append(allowed, heatActions...)
		case "taste":
			allowed = append(allowed, "taste")
		case "electrolysis":
			allowed = append(allowed, "electrolyse")
		}
	}
	return allowed, barred
}

func bandOf(a design.AgeBand) int {
	return max(0, slices.Index(design.AgeBands, a)) // an unknown age is judged as the youngest
}
