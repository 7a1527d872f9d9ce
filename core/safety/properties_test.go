package safety_test

import (
	"fmt"
	"math/rand/v2"
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// The book reads what a thing is, not which one it is: no id of the larder
// stands in it.
func TestNoIDsInTheBook(t *testing.T) {
	said := map[string]bool{} // words that rules and properties use for themselves
	allowed, barred := safety.Actions()
	for _, a := range slices.Concat(allowed, barred, safety.RuleIDs()) {
		said[a] = true
	}
	for _, q := range larder.Standard().Properties {
		said[q.ID] = true
		for _, a := range q.Answers {
			said[a.Value] = true
		}
	}
	ids := map[string]bool{}
	for _, m := range larder.Standard().Materials {
		ids[m.ID] = !said[m.ID] && !text.Has("safety.gear."+m.ID) && !text.Has("safety.clear."+m.ID)
	}
	files, err := os.ReadDir(".")
	if err != nil {
		t.Fatal(err)
	}
	quoted := regexp.MustCompile(`"([a-z][a-z0-9-]*)"`)
	for _, f := range files {
		if strings.HasSuffix(f.Name(), "_test.go") || !strings.HasSuffix(f.Name(), ".go") && f.Name() != "rules.json" {
			continue
		}
		raw, err := os.ReadFile(f.Name())
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range quoted.FindAllSubmatch(raw, -1) {
			if ids[string(m[1])] {
				t.Errorf("%s names the material %s", f.Name(), m[1])
			}
		}
	}
}

// renamed is the shipped larder with other ids, and the map to them.
func renamed() (*larder.Larder, map[string]string) {
	parts := *larder.Standard()
	rng := rand.New(rand.NewPCG(7, 7))
	to := map[string]string{}
	for i, k := range rng.Perm(len(parts.Materials)) {
		to[parts.Materials[k].ID] = fmt.Sprintf("thing-%d", i)
	}
	parts.Materials, parts.Rules = slices.Clone(parts.Materials), slices.Clone(parts.Rules)
	for i := range parts.Materials {
		parts.Materials[i].ID = to[parts.Materials[i].ID]
	}
	each := func(ids []string) []string {
		out := make([]string, len(ids))
		for i, id := range ids {
			out[i] = to[id]
		}
		return out
	}
	for i := range parts.Rules {
		r := &parts.Rules[i]
		r.From.Materials, r.To.Materials = each(r.From.Materials), each(r.To.Materials)
	}
	return larder.Index(parts), to
}

// Every design of the tests has the same verdicts when all materials have other
// ids.
func TestVerdictsDoNotHangOnIDs(t *testing.T) {
	other, to := renamed()
	tried := 0
	for _, c := range everyRule {
		for _, lines := range []string{c.triggers, c.not} {
			d := plan(lines)
			was := safety.Judge(d, larder.Standard(), nil)
			for i := range d.Needs {
				if id, ok := to[d.Needs[i].Material]; ok {
					d.Needs[i].Material = id
				}
			}
			now := safety.Judge(d, other, nil)
			tried++
			if was.Bands != now.Bands || len(was.Findings) != len(now.Findings) || len(was.Lines) != len(now.Lines) {
				t.Errorf(
					"%v, %d findings became %v, %d:\n%s",
					was.Bands,
					len(was.Findings),
					now.Bands,
					len(now.Findings),
					lines,
				)
			}
		}
	}
	if tried < 100 {
		t.Errorf("only %d designs", tried)
	}
}

// describe makes a thing of a school's own, as answers to its questions.
func describe(name string, props map[string]string) larder.Material {
	return larder.Material{ID: "our-thing", Name: text.Localized{"en": name}, Props: props, SaidBy: "Ms Tarrant"}
}

// denies answers every question of stuff with the harmless answer.
func denies(more map[string]string) map[string]string {
	l := larder.Standard()
	m := larder.Material{
		ID:    "our-thing",
		Own:   true,
		Props: map[string]string{"matter": "stuff", "label": "yes", "state": "powder", "food": "no", "germs": "clean"},
	}
	for k, v := range more {
		m.Props[k] = v
	}
	for {
		open := l.Unanswered(&m)
		if len(open) == 0 {
			return m.Props
		}
		m.Props[open[0].ID] = open[0].Answers[0].Value
	}
}

// A thing of a school's own is judged as the worst until it is answered, by
// its answers then, and never below what its name says.
func TestOwnThings(t *testing.T) {
	for _, c := range []struct {
		name   string
		thing  larder.Material
		lines  string
		rule   string // that has to fire; "" for none that keeps it from homes
		banned bool
	}{
		{"not answered", describe("moor dust", nil), "o: our-thing 1 g\n---\na: stir with o", "own unanswered", true},
		{"half answered", describe("moor dust", map[string]string{"matter": "stuff", "label": "yes"}),
			"o: our-thing 1 g\n---\na: stir with o", "own unanswered", true},
		{"answered, harmless", describe("moor dust", denies(nil)), "o: our-thing 1 g\n---\na: stir with o", "own any",
			false},
		{"unexplained and closed in", describe("zorbl", denies(nil)), "o: our-thing 1 g\nj: jam-jar\n---\na: stir " +
			"with o in j closed", "own unexplained", true},
		{"unexplained and heated", describe("zorbl", denies(nil)), "o: our-thing 1 g\n---\na: heat with o at 40 °C",
			"own unexplained", true},
		{"explained and closed in", describe("moor salt", denies(nil)), "o: our-thing 1 g\nj: jam-jar\n---\na: stir " +
			"with o in j closed", "", false},
		{"an energy drink in a closed jar",
			describe("Volt",
				denies(map[string]string{"state": "liquid", "food": "drink", "allergens": "none",
					"fizzes": "when-opened"})), "o: our-thing 100 mL\nj: jam-jar\n---\na: pour with o in j closed",
			"gas-rigid-closed any", true},
		{"a zinc washer in acid, closed",
			describe("our washer", map[string]string{"matter": "thing", "make": "metal", "metal": "zinc-coated",
				"breaks": "nothing", "edge": "none", "small": "yes", "burns": "no", "lights": "no",
				"closes": "no-vessel", "magnet": "none"}), "o: our-thing\nv: vinegar-white 50 mL\nj: " +
				"jam-jar\n---\na: put with o v in j closed", "acid-metal closed", true},
		{"lye by its name", describe("lye", denies(nil)), "o: our-thing 1 g\n---\na: stir with o", "unknown refused",
			true},
		{"lejía, and a word more", describe("lejía suave", denies(nil)), "o: our-thing 1 g\n---\na: stir with o",
			"unknown refused", true},
		{"one letter off", describe("bleech", denies(nil)), "o: our-thing 1 g\n---\na: stir with o",
			"unknown resembles", true},
		{"a jam jar that would be a bag",
			describe("jam jar", map[string]string{"matter": "thing", "make": "plastic", "breaks": "nothing",
				"edge": "none", "small": "no", "burns": "no", "lights": "no", "closes": "zip", "form": "flexible",
				"magnet": "none", "stretches": "no"}), "o: our-thing\nv: vinegar-white 20 mL\ns: baking-soda 1 " +
				"g\n---\na: keep-apart, pour with v s in o closed", "gas-rigid-closed any", true},
		{"strong by its label", describe("moor water", denies(map[string]string{"state": "liquid", "acid": "strong"})),
			"o: our-thing 1 mL\n---\na: stir with o", "strong-acid ", true},
		{"peroxide without a strength",
			describe("moor foam", denies(map[string]string{"state": "liquid", "oxidiser": "peroxide"})),
			"o: our-thing 1 mL\n---\na: stir with o", "peroxide-strong ", true},
	} {
		d := plan(c.lines)
		d.Needs[0].Name = c.thing.Name
		d.Materials = []larder.Material{c.thing}
		l, problems := larder.Standard().With(larder.Own{Materials: d.Materials})
		if len(problems) > 0 {
			t.Errorf("%s: %v", c.name, problems)
			continue
		}
		found := safety.Judge(d, l, nil).Findings
		fired := c.rule == "" ||
			slices.ContainsFunc(found, func(f safety.Hazard) bool { return f.Rule+" "+f.Case == c.rule })
		if banned := safety.Worst(found) == safety.NotAtHome; banned != c.banned || !fired {
			t.Errorf("%s: kept from homes %v, want %v; %s fired %v", c.name, banned, c.banned, c.rule, fired)
			for _, f := range found {
				t.Logf("   %s %s %s: %s", f.Rule, f.Case, f.Verdict, text.Render(f.Why, "en"))
			}
		}
	}
}

// A school's correction of a shipped thing loosens nothing: a jar does not
// become a bag, spirit no powder, and a range only widens.
func TestCorrectionsLoosenNothing(t *testing.T) {
	l := larder.Standard()
	own := larder.Own{Materials: []larder.Material{
		{
			ID:       "jam-jar",
			Name:     text.Localized{"en": "our jar"},
			Roles:    []string{"flexible-gas-bag", "snap-lid-canister"},
			Props:    map[string]string{"form": "flexible", "closes": "zip"},
			Capacity: &larder.Range{Low: 100, Typical: 50000, High: 90000},
		},
		{
			ID:      "isopropyl-70",
			Name:    text.Localized{"en": "our spirit"},
			Props:   map[string]string{"state": "powder", "fuel": "none", "matter": "thing"},
			Figures: []larder.Figure{{Text: "bulk 0.5", Key: "bulk", Low: 0.5, High: 0.6, Unit: "g/mL"}},
		},
		{
			ID:    "vinegar-cleaning",
			Name:  text.Localized{"en": "our vinegar"},
			Props: map[string]string{"acid": "food", "food": "drink", "tasted": "yes"},
		},
	}}
	mine, problems := l.With(own)
	if len(problems) > 0 {
		t.Fatal(problems)
	}
	for _, lines := range []string{
		"v: vinegar-white 20 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: keep-apart, pour with v s in j closed",
		"i: isopropyl-70 40 g\n---\na: pour with i", "i: isopropyl-70 10 mL\n---\na: pour with i\nb: light",
		"v: vinegar-cleaning\n---\na: taste with v",
	} {
		d := plan(lines)
		was, now := safety.Judge(d, l, nil).Bands, safety.Judge(d, mine, nil).Bands
		for i := range was {
			if was[i].Worse(now[i]) {
				t.Errorf("%s became %s at %s:\n%s", was[i], now[i], design.AgeBands[i], lines)
			}
		}
	}
}

// Kind switches no rule off: whatever a need is called, the thing it is counts.
func TestKindSwitchesNothingOff(t *testing.T) {
	for _, lines := range []string{"o: bleach 5 mL\n---\na: pour with o", "o: peroxide-12 5 mL\n---\na: pour with o",
		"o: candle\n---\na: light with o", "o: battery-lithium\n---\na: put with o"} {
		d := plan(lines)
		want := safety.Judge(d, larder.Standard(), nil).Bands
		for _, kind := range []design.NeedKind{design.ObjectNeed, design.PersonNeed, design.PlaceNeed, ""} {
			d.Needs[0].Kind = kind
			if got := safety.Judge(d, larder.Standard(), nil).Bands; got != want {
				t.Errorf("as %q: %v, want %v\n%s", kind, got, want, lines)
			}
		}
	}
	// A free name is looked up by its words, in both languages.
	for name, want := range map[string]safety.Verdict{"a red candle": safety.AdultDoes, "una vela": safety.AdultDoes,
		"peroxide 12 %": safety.NotAtHome, "a flurble": safety.NotAtHome, "a big spoon": safety.Care,
		"an old tea towel": safety.Care} {
		d := plan("o: object " + name + "\n---\na: put with o")
		if strings.HasPrefix(name, "una ") {
			d.Needs[0].Name = text.Localized{"es": name}
		}
		if got := safety.Worst(safety.Check(d)); got != want {
			t.Errorf("%s is %s, want %s", name, got, want)
		}
	}
}
