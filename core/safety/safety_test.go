package safety_test

import (
	"encoding/json"
	"errors"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

func judge(d *design.Document) safety.Report { return safety.Judge(d, larder.Standard(), nil) }

const bag = "v: vinegar-white 5 % 100 mL\ns: baking-soda 2 g weighed\nb: zip-bag-large 1 L\n"

// Each rule about the order of steps: a design in which it speaks, the kind
// of line, and one in which the order holds.
func TestTheOrderOfSteps(t *testing.T) {
	for _, c := range []struct {
		rule  string
		kind  safety.RemarkKind
		wrong string
		right string
	}{
		{"clear-first", safety.Added, "---\na: put", "---\nz: clear-table\na: put"},
		{"finish", safety.Added, "---\na: put", "---\na: put\nb: wash-hands"},
		{"gear-first", safety.OrderError, "w: washing-soda-crystals\n---\na: stir with w\nb: gear-on",
			"w: washing-soda-crystals\n---\nb: gear-on\na: stir with w"},
		{"gear-first", safety.Added, "w: vinegar-white\n---\na: pour with w", "w: water-tap\n---\na: pour with w"},
		{"label-first", safety.OrderError, "v: vinegar-white\ns: water-tap\nj: jam-jar\nk: mug\n---\na: decant with " +
			"v in j\nb: decant with s in k", "v: vinegar-white\ns: water-tap\nj: jam-jar\nk: mug\n---\nl: label\na: " +
			"decant with v in j\nb: decant with s in k"},
		{"label-first", safety.OrderError, "s: sugar-granulated\nj: jam-jar\n---\na: stand with s in j\nb: " +
			"weigh wait 14 h", "s: sugar-granulated\nj: jam-jar\n---\na: stand with s in j\nb: weigh wait 40 min"},
		{"label-first", safety.OrderError, "v: vinegar-white\nj: jam-jar\n---\na: pour with v in j",
			"v: orange-juice\nj: jam-jar\n---\na: pour with v in j"},
		{"gear-off", safety.Added, "v: vinegar-white\n---\na: gear-on, pour with v",
			"v: vinegar-white\n---\na: gear-on, pour with v\nb: gear-off"},
		{"apart-until-closed", safety.OrderError, bag + "---\na: pour with v s in b closed",
			bag + "---\na: keep-apart, pour with v s in b closed"},
		{"flame-last", safety.OrderError, "---\na: light\nb: put wait 5 min", "---\na: put wait 5 min\nb: light\nc: " +
			"put-out\nd: put wait 5 min"},
		{"flame-last", safety.OrderError, "c: candle\ns: table-salt\n---\na: light with c\nb: weigh with s\nc: put-out",
			"c: candle\ns: table-salt\n---\na: weigh with s\nb: light with c\nc: put with c\nd: put-out"},
		{"flame-last", safety.OrderError, "c: candle\ns: table-salt\n---\na: light with c\nb: - with s kind " +
			"observe\nc: put-out", "c: candle\ns: table-salt\n---\na: light with c\nb: - with c kind observe\nc: " +
			"put-out\nd: - with s kind observe"},
		{"flame-last", safety.OrderError, "c: candle\nv: vinegar-white\ns: baking-soda\nj: mug\n---\na: light with " +
			"c j\nb: pour with v s in j\nc: put-out", "c: candle\nv: vinegar-white\ns: baking-soda\nj: mug\n---\nb: " +
			"pour with v s in j\na: light with c j\nd: pour with c in j\nc: put-out"},
		{"flame-out", safety.OrderError, "---\na: light\nb: draw", "---\na: light\nb: put-out\nc: draw"},
		{"acid-to-water", safety.OrderError, "v: vinegar-cleaning 10 %\n---\na: dilute with v",
			"v: vinegar-cleaning 10 %\n---\na: water-first\nb: dilute with v"},
		{"cool-first", safety.OrderError, "---\na: hot-water at 60 °C\nb: weigh",
			"---\na: hot-water at 60 °C\nb: cool\nc: weigh"},
		{"measure-before", safety.OrderError, "---\na: weigh takes after-soak\nb: weigh takes before-soak",
			"---\na: weigh takes before-soak\nb: weigh takes after-soak"},
		{"no-second-dose", safety.Added, "---\na: launch", "---\na: drop"},
		{"misfire", safety.Added, "---\na: launch", "---\na: drop"},
		{"blades-away", safety.Added, "---\na: scissors\nb: put", "---\na: scissors\nb: put-away"},
		{"adult-block", safety.Suggestion, "---\na: smoke\nb: put\nc: launch", "---\na: smoke\nb: launch\nc: put"},
		{"interrupt", safety.Added, "---\na: light", "---\na: put"},
		{"leftover", safety.OrderError, "p: peroxide-3 10 mL\nj: mug\n---\na: pour with p in j",
			"p: peroxide-3 10 mL\nj: mug\n---\na: pour with p in j\nb: clear-leftover"},
		{"leftover-none", safety.Added, "p: table-salt\nj: mug\n---\na: pour with p in j",
			"p: peroxide-3 10 mL\nj: mug\n---\na: pour with p in j"},
		// 2 g of soda are 23.8 mmol and take 28 mL of 5 % vinegar (larder, G).
		{"left-acid", safety.Added, "v: vinegar-white 5 % 40 mL\ns: baking-soda 2 g weighed\nm: mug\n---\na: pour " +
			"with v s in m", "v: vinegar-white 5 % 20 mL\ns: baking-soda 2 g weighed\nm: mug\n---\na: pour " +
			"with v s in m"},
		{"left-soda", safety.Added, "v: vinegar-white 5 % 20 mL\ns: baking-soda 2 g weighed\nm: mug\n---\na: pour " +
			"with v s in m", "v: vinegar-white 5 % 40 mL\ns: baking-soda 2 g weighed\nm: mug\n---\na: pour " +
			"with v s in m"},
		{"amount-missing", safety.OrderError, "p: peroxide-3\n---\na: pour with p",
			"p: peroxide-3 10 mL\n---\na: pour with p"},
		{"heat-missing", safety.OrderError, "---\na: hot-water", "---\na: hot-water at 50 °C"},
		{"place", safety.OrderError, "---\na: launch", "outdoors: yes\n---\na: launch"},
		{"place-table", safety.Added, "---\na: put", "outdoors: yes\n---\na: put"},
		{"spare-hands", safety.Added, "---\na: two-people", "---\na: put"},
	} {
		age := "age: 14-18\n"
		has := func(lines string) (safety.Remark, bool) {
			r := judge(plan(age + lines))
			i := slices.IndexFunc(r.Lines, func(l safety.Remark) bool { return l.Rule == c.rule && l.Kind == c.kind })
			if i < 0 {
				return safety.Remark{}, false
			}
			return r.Lines[i], true
		}
		l, ok := has(c.wrong)
		if !ok {
			t.Errorf("%s (%s) does not speak of\n%s: %+v", c.rule, c.kind, c.wrong, judge(plan(age+c.wrong)).Lines)
			continue
		}
		for _, lang := range text.Languages {
			if s := text.Render(l.Message, lang); strings.ContainsAny(s, "[{") {
				t.Errorf("%s lacks words in %s: %s", c.rule, lang, s)
			}
		}
		if _, ok := has(c.right); ok {
			t.Errorf("%s (%s) speaks of\n%s", c.rule, c.kind, c.right)
		}
	}
}

// What is left is worked out: 20 mL of 5 % vinegar, 1.0075 g/mL, hold
// 16.78 mmol of acid and leave 2 g − 16.78 mmol × 84.01 g/mol = 0.59 g of soda.
func TestWhatIsLeft(t *testing.T) {
	r := judge(plan("v: vinegar-white 5 % 20 mL\ns: baking-soda 2 g weighed\nm: mug\n---\na: pour with v s in m"))
	i := slices.IndexFunc(r.Lines, func(l safety.Remark) bool { return l.Rule == "left-soda" })
	if i < 0 {
		t.Fatalf("%+v", r.Lines)
	}
	if got := strings.ReplaceAll(text.Render(r.Lines[i].Message, "en"), "\u00a0",
		" "); got != "Left in the jar: about 0.59 g of the s, and no acid." {
		t.Error(got)
	}
}

// A step that a line asks for can be put in with one click, and then the line
// has nothing more to say; what is put in has words in both languages.
func TestInsertedStepsMend(t *testing.T) {
	for _, lines := range []string{
		"w: washing-soda-crystals\n---\na: stir with w\nb: clear-leftover",
		"v: vinegar-white\ns: water-tap\nj: jam-jar\nk: mug\n---\na: decant with v in j\nb: decant with s in k",
		bag + "---\na: pour with v s in b closed", "v: vinegar-white 5 %\n---\na: dilute with v",
		"---\na: hot-water at 60 °C\nb: weigh", "age: 14-18\np: peroxide-3 10 mL\nj: mug\n---\na: gear-on, " +
			"pour with p in j",
		"c: candle\ns: table-salt\n---\na: light with c\nb: weigh with s", "---\na: light\nb: draw",
	} {
		d := plan(lines)
		l := larder.Standard()
		for range 5 {
			r := judge(d)
			i := slices.IndexFunc(r.Lines, func(l safety.Remark) bool { return l.Kind == safety.OrderError })
			if i < 0 {
				break
			}
			mends := safety.LineMends(d, larder.Standard(), r.Lines[i])
			if len(mends) != 1 {
				t.Fatalf("%s: no way out of %+v", lines, r.Lines[i])
			}
			after, err := safety.Apply(d, l, mends[0].Change)
			if err != nil {
				t.Fatal(err)
			}
			for _, s := range after.Steps {
				if _, was := d.Step(s.ID); !was &&
					(s.Title["es"] == "" || s.Text["en"] == "" || strings.ContainsAny(s.Text["es"], "[{")) {
					t.Errorf("%s: %+v", lines, s)
				}
			}
			d = after
		}
		if r := judge(d); slices.ContainsFunc(
			r.Lines,
			func(l safety.Remark) bool { return l.Kind == safety.OrderError },
		) {
			t.Errorf("%s: still %+v", lines, r.Lines)
		}
	}
}

func TestWhatCanBeIssued(t *testing.T) {
	for _, c := range []struct {
		name, lines string
		way         design.Way
		want        bool
	}{
		{"everyday", "---\na: weigh, pour", design.PredictThenTry, true},
		{"a knife", "---\na: knife", design.PredictThenTry, true},
		{"not at home", "---\na: culture", design.PredictThenTry, false},
		{"not at home, watched", "---\na: culture", design.WatchShared, true},
		{"out of order", "---\na: hot-water at 60 °C\nb: weigh", design.PredictThenTry, false},
		{"not said", "u: unsaid\n---\na: stir with u", design.PredictThenTry, false},
		{"a bag that fits", bag + "---\nz: gear-on, keep-apart\na: pour with v s in b closed", design.PredictThenTry,
			true},
	} {
		barred, disorder := judge(plan(c.lines)).Barred(c.way)
		if got := len(barred)+len(disorder) == 0; got != c.want {
			t.Errorf("%s: %v", c.name, got)
		}
	}
}

// A gas bag that is too full: the smaller amount that is offered fits, and a
// little more does not. 0.5 L hold at most 0.475 L; 100 mL are the vinegar.
func TestTheSmallerAmountFits(t *testing.T) {
	d := plan(
		"v: vinegar-white 5 % 100 mL\ns: baking-soda 4 g weighed\nb: zip-bag-small 0.5 L\n---\na: keep-apart, pour " +
			"with v s in b closed",
	)
	f, ok := finding(safety.Check(d), "gas-flexible", "over")
	if !ok {
		t.Fatal("it is not too full")
	}
	mends := safety.Mends(d, larder.Standard(), f)
	if len(mends) == 0 || mends[0].Change.Need != "s" || !strings.HasPrefix(mends[0].Change.Amount, "1.2") ||
		mends[0].After != safety.Care {
		t.Fatalf("%+v", mends)
	}
	after, err := safety.Apply(d, larder.Standard(), mends[0].Change)
	if err != nil {
		t.Fatal(err)
	}
	if _, ok := finding(safety.Check(after), "gas-flexible", "fits"); !ok {
		t.Errorf("%+v", safety.Check(after))
	}
	// Not weighed: the same spoon may be heaped, half as much again.
	after.Needs[1].Weighed = false
	if _, ok := finding(safety.Check(after), "gas-flexible", "fits"); ok {
		t.Error("a spoon counts like a scale")
	}
}

// With acid that is soon used up a heaped spoon cannot burst the bag: 20 mL of
// 5 % vinegar give at most 0.41 L whatever the soda.
func TestTheLimitingAcid(t *testing.T) {
	for _, c := range []struct{ soda, want string }{{"2 g", "fits"}, {"200 g", "fits"}} {
		d := plan(
			"v: vinegar-white 5 % 20 mL\ns: baking-soda " + c.soda + "\nb: zip-bag-large 1 L\n---\na: keep-apart, " +
				"pour with v s in b closed",
		)
		if _, ok := finding(safety.Check(d), "gas-flexible", c.want); !ok {
			t.Errorf("%s: %+v", c.soda, safety.Check(d))
		}
	}
}

// worstFinding is the gravest finding of a rule.
func worstFinding(found []safety.Hazard, rule string) (worst safety.Hazard, ok bool) {
	for _, f := range found {
		if f.Rule == rule && (!ok || f.Verdict.Worse(worst.Verdict)) {
			worst, ok = f, true
		}
	}
	return worst, ok
}

func TestMends(t *testing.T) {
	l := larder.Standard()
	for _, c := range []struct {
		lines, rule string
		want        safety.Change // where its amount, form and strength are not named, any will do
		after       safety.Verdict
	}{
		{"v: vinegar-white 50 mL\ns: baking-soda 1 g\nj: jam-jar\n---\na: pour, seal with v s in j closed",
			"gas-rigid-closed", safety.Change{Kind: safety.Open, Step: "a"}, safety.Care},
		{"p: peroxide-6 as oxygen-releaser 20 mL\n---\na: pour with p", "peroxide-strong",
			safety.Change{Kind: safety.Swap, Need: "p", Material: "peroxide-3"}, safety.AdultNear},
		{"v: vinegar-cleaning as mild-acid 12 % 50 mL\n---\na: pour with v", "acid-concentrate",
			safety.Change{Kind: safety.Swap, Need: "v", Material: "vinegar-white"}, safety.Care},
		{"p: isopropyl-70 40 mL\n---\na: pour with p", "alcohol-rubbing", safety.Change{Kind: safety.Reduce, Need: "p",
			Amount: "30 mL"}, safety.AdultDoes},
		{"---\na: culture", "microbe", safety.Change{Kind: safety.Watch}, safety.NotAtHome},
	} {
		d := plan(c.lines)
		f, _ := worstFinding(safety.Check(d), c.rule)
		mends := safety.Mends(d, l, f)
		i := slices.IndexFunc(mends, func(m safety.Mend) bool {
			m.Change.Form, m.Change.Percent = "", 0
			return m.Change == c.want
		})
		if i < 0 || mends[i].After != c.after {
			t.Errorf("%s: %+v", c.rule, mends)
			continue
		}
		after, err := safety.Apply(d, l, mends[i].Change)
		if err != nil {
			t.Errorf("%s: %v", c.rule, err)
		} else if c.want.Kind != safety.Watch && !f.Verdict.Worse(safety.Worst(safety.Check(after))) {
			t.Errorf("%s is no better after %+v", c.rule, mends[i].Change)
		}
		for _, lang := range text.Languages {
			if s := text.Render(mends[i].Label, lang); strings.ContainsAny(s, "[{") {
				t.Error(s)
			}
		}
	}
	d := plan("v: vinegar-white\n---\na: pour with v")
	for _, bad := range []safety.Change{
		{}, {Kind: safety.Open, Step: "a"}, {Kind: safety.Open, Step: "x"}, {Kind: safety.Reduce, Need: "v"},
		{Kind: safety.Reduce, Need: "x", Amount: "1 mL"}, {Kind: safety.Reduce, Need: "v", Amount: "some"},
		{Kind: safety.Swap, Need: "v", Material: "bleach"}, {Kind: safety.Swap, Need: "x", Material: "y", Form: "z"},
		{Kind: safety.Insert, Rule: "gear-first", Step: "a"}, {Kind: safety.Insert, Rule: "tidy", Step: "a"},
		{Kind: safety.Tick, Step: "a", Action: "dance"}, {Kind: "close", Step: "a"},
	} {
		_, err := safety.Apply(d, l, bad)
		var unfit *safety.ChangeError
		if !errors.As(err, &unfit) || unfit.Change != bad {
			t.Errorf("%+v is carried out: %v", bad, err)
		}
	}
}

// Lowering: by one level, with a reason, only where the house lets it.
func TestLowering(t *testing.T) {
	const reason = "The class cut fruit with me twice last month."
	for _, c := range []struct {
		name, lines, rule, step, reason string
		want                            safety.Verdict
		refused                         bool
	}{
		{"a craft knife at 11-13", "---\na: craft-knife", "blade", "a", reason, safety.AdultNear, false},
		{"one level only", "age: 14-18\n---\na: craft-knife", "blade", "a", reason, safety.Care, false},
		{"under 11", "age: 8-10\n---\na: knife", "blade", "a", reason, safety.AdultDoes, true},
		{"without a reason", "---\na: craft-knife", "blade", "a", "I said so", safety.AdultDoes, true},
		{"a flame", "---\na: light", "flame", "a", reason, safety.AdultDoes, true},
		{"not at home", "---\na: climb-high", "height", "a", reason, safety.NotAtHome, true},
		{"care", "---\na: scissors", "scissors-pin", "a", reason, safety.Care, true},
		{"another step", "---\na: craft-knife\nb: put", "blade", "b", reason, safety.AdultDoes, true},
		{"hot water", "---\na: hot-water at 80 °C", "heat", "a", reason, safety.Care, false},
		{"hot oil", "---\na: hot-oil at 80 °C", "heat", "a", reason, safety.AdultDoes, true},
		{"oil that is heated", "o: oil-vegetable 100 mL\n---\na: heat with o at 80 °C", "heat", "a", reason,
			safety.AdultDoes, true},
		{"hotter than water", "---\na: heat at 180 °C", "heat", "a", reason, safety.AdultNear, true},
		{"no temperature said", "---\na: hot-water", "heat", "a", reason, safety.AdultNear, true},
		{"a chair", "---\na: climb", "height", "a", reason, safety.AdultNear, true},
		{"a low step", "---\na: low-step", "height", "a", reason, safety.Care, false},
	} {
		d := plan(c.lines)
		d.Lowered = []design.Lowering{{Rule: c.rule, Step: c.step, Reason: c.reason, By: "Ms Tarrant"}}
		r := judge(d)
		f, _ := finding(r.Findings, c.rule, "")
		refused := slices.ContainsFunc(
			r.Lines,
			func(l safety.Remark) bool { return l.Rule == "lowering" && l.Kind == safety.OrderError },
		)
		if f.Verdict != c.want || refused != c.refused ||
			!refused && (f.Was == "" || !strings.Contains(text.Render(f.Reason, "es"), "Ms Tarrant")) {
			t.Errorf("%s: %s, refused %v: %+v", c.name, f.Verdict, refused, f)
		}
	}
	// One lowering is one finding, in one step, by one level: said twice, or
	// without a case where two are meant, it changes nothing more.
	for _, c := range []struct {
		lines string
		low   []design.Lowering
		want  map[string]safety.Verdict // by case
		wrong int
	}{
		{"---\na: craft-knife", []design.Lowering{{Rule: "blade", Step: "a", Reason: reason},
			{Rule: "blade", Step: "a", Reason: reason}}, map[string]safety.Verdict{"craft": safety.AdultNear}, 1},
		{"age: 14-18\n---\na: craft-knife", []design.Lowering{{Rule: "blade", Step: "a", Reason: reason},
			{Rule: "blade", Step: "a", Reason: reason}, {Rule: "blade", Step: "a", Reason: reason}},
			map[string]safety.Verdict{"craft": safety.Care}, 2},
		{"age: 14-18\n---\na: knife", []design.Lowering{{Rule: "blade", Step: "a", Reason: reason}},
			map[string]safety.Verdict{"kitchen": safety.Care}, 1},
		{"---\na: knife, craft-knife", []design.Lowering{{Rule: "blade", Step: "a", Reason: reason}},
			map[string]safety.Verdict{"kitchen": safety.AdultNear, "craft": safety.AdultDoes}, 1},
		{"---\na: knife, craft-knife", []design.Lowering{{Rule: "blade", Case: "kitchen", Step: "a", Reason: reason}},
			map[string]safety.Verdict{"kitchen": safety.Care, "craft": safety.AdultDoes}, 0},
	} {
		d := plan(c.lines)
		d.Lowered = c.low
		r := judge(d)
		for name, want := range c.want {
			if f, _ := finding(r.Findings, "blade", name); f.Verdict != want {
				t.Errorf("%s %s: %s, want %s", c.lines, name, f.Verdict, want)
			}
		}
		wrong := 0
		for _, l := range r.Lines {
			if l.Rule == "lowering" {
				wrong++
			}
		}
		if wrong != c.wrong {
			t.Errorf("%s: %d lowerings are refused, want %d", c.lines, wrong, c.wrong)
		}
	}
	// The same tool in two steps: only the named one is lowered.
	two := plan("---\na: knife\nb: knife")
	two.Lowered = []design.Lowering{{Rule: "blade", Case: "kitchen", Step: "b", Reason: reason}}
	for _, f := range safety.Check(two) {
		if want := map[bool]safety.Verdict{true: safety.Care, false: safety.AdultNear}[slices.Contains(f.Steps, "b")]; f.Rule == "blade" &&
			(f.Verdict != want || len(f.Steps) != 1) {
			t.Errorf("%+v", f)
		}
	}
	people := calm()
	people.Under4 = yes()
	d := plan("c: coin-uk-1p\n---\na: put with c")
	d.Lowered = []design.Lowering{{Rule: "small-part", Step: "a", Reason: reason}}
	if f, _ := finding(safety.Judge(d, larder.Standard(), &people).Findings, "small-part",
		"little"); f.Verdict != safety.AdultNear {
		t.Errorf("a fact of the home was lowered: %+v", f)
	}
}

// A teacher's own caution raises a verdict and never lowers one; it stands on
// the sheet in the teacher's words.
func TestTheTeachersOwnCautions(t *testing.T) {
	words := func(en, es string) text.Localized { return text.Localized{"en": en, "es": es} }
	for _, c := range []struct {
		lines, step, verdict string
		want                 safety.Verdict
	}{
		{"---\na: put", "a", "adult-near", safety.AdultNear},
		{"---\na: light", "a", "care", safety.AdultDoes},
		{"---\na: put", "a", "not-at-home", safety.NotAtHome},
		{"---\na: put", "a", "whatever", safety.NotAtHome},
		{"---\na: put", "nowhere", "not-at-home", safety.Care},
	} {
		d := plan(c.lines)
		d.Cautions = []design.Caution{
			{
				ID:      "stove",
				Step:    c.step,
				Verdict: c.verdict,
				Why:     words("Our stove tips over.", "Nuestra cocina se vuelca."),
				Do:      words("Hold it.", "Sujétala."),
			},
		}
		r := judge(d)
		if got := safety.Worst(r.Findings); got != c.want {
			t.Errorf("%s on %s: %s, want %s", c.verdict, c.lines, got, c.want)
		}
		said := false
		for _, x := range safety.BriefingOf(d, r).During {
			said = said || text.Render(x.Why, "es") == "Nuestra cocina se vuelca."
		}
		if want := c.step == "a" && c.want != safety.NotAtHome; said != want {
			t.Errorf("%s: on the sheet %v", c.lines, said)
		}
		d.Lowered = []design.Lowering{{Rule: "teacher", Step: "a", Reason: "I have thought about it again, twice."}}
		if got := safety.Worst(judge(d).Findings); got != c.want {
			t.Errorf("lowered to %s", got)
		}
		for _, f := range r.Findings {
			safety.Mends(d, larder.Standard(), f)
		}
	}
}

func TestAdultJobs(t *testing.T) {
	d := plan("age: 5-7\n---\nput: put\ncut: scissors, small-things\nboil: hot-water at 50 °C")
	jobs := safety.AdultJobs(d, safety.Check(d))
	if len(jobs) != 2 || jobs[0].Step != "cut" || jobs[0].Verdict != safety.AdultNear ||
		jobs[1].Verdict != safety.AdultDoes {
		t.Errorf("%+v", jobs)
	}
}

// Verdicts side by side: those of the four bands for the same design.
func TestBands(t *testing.T) {
	r := judge(plan("---\na: knife\nb: gear-on"))
	if want := [4]safety.Verdict{safety.AdultDoes, safety.AdultDoes, safety.AdultNear, safety.Care}; r.Bands != want {
		t.Errorf("%v", r.Bands)
	}
}

// The label decides: a strength that is not said is taken as the strongest
// usual one, and asked about.
func TestSilence(t *testing.T) {
	for lines, asks := range map[string]bool{
		"v: vinegar-cleaning\n---\na: pour with v": true, "v: vinegar-cleaning 9 %\n---\na: pour with v": false,
		"v: surgical-spirit 10 mL\n---\na: pour with v":      true,
		"v: surgical-spirit 70 % 10 mL\n---\na: pour with v": false,
		"v: vinegar-white\n---\na: pour with v":              false, "---\na: hot-water": true,
		"u: unsaid\n---\na: put with u": true,
	} {
		found := safety.Check(plan(lines))
		if got := slices.ContainsFunc(found, func(f safety.Hazard) bool { return f.Asks }); got != asks {
			t.Errorf("%s: %+v", lines, found)
		}
	}
}

// Adding a hazard never makes a verdict milder, and neither does taking an
// answer back: over random designs, at every age and in every home.
func TestNothingLowers(t *testing.T) {
	r := rand.New(rand.NewPCG(4, 8))
	l := larder.Standard()
	allowed, barred := safety.Actions()
	actions := append(append(allowed, barred...), "anything")
	heats, volts := []string{"", "40 °C", "55 °C", "90 °C"}, []string{"", "3 V", "9 V"}
	for range 400 {
		d := &design.Document{Schema: 2, AgeBand: design.AgeBands[r.IntN(4)], Way: design.PredictThenTry, Trials: 1}
		for range 1 + r.IntN(6) {
			addNeed(r, d, l)
			addStep(r, d, actions, heats, volts)
		}
		people := calm()
		if r.IntN(2) == 0 {
			people.Under4, people.Pet, people.Adult = yes(), yes(), no()
		}
		worst := func(d *design.Document, p kitchen.People) safety.Verdict {
			return safety.Worst(safety.Judge(d, l, &p).Findings)
		}
		was := worst(d, people)
		more := *d
		more.Needs, more.Steps = slices.Clone(d.Needs), slices.Clone(d.Steps)
		addNeed(r, &more, l)
		addStep(r, &more, actions, heats, volts)
		if now := worst(&more, people); was.Worse(now) {
			t.Fatalf("%s and then %s after adding\n%+v\n%+v", was, now, more.Needs, more.Steps)
		}
		// An answer taken back: of the home, a strength, an amount, a kind.
		for _, take := range []func(*design.Document, *kitchen.People){
			func(_ *design.Document, p *kitchen.People) { p.Under4 = nil },
			func(_ *design.Document, p *kitchen.People) { p.Pet, p.Asthma, p.Answered = nil, nil, false },
			func(_ *design.Document, p *kitchen.People) { p.Adult, p.Goggles = nil, nil },
			func(d *design.Document, _ *kitchen.People) { d.Needs[0].Kind, d.Needs[0].Material = "", "" },
		} {
			less, fewer := *d, people
			less.Needs = slices.Clone(d.Needs)
			take(&less, &fewer)
			if now := worst(&less, fewer); was.Worse(now) {
				t.Fatalf("%s and then %s after taking an answer back\n%+v", was, now, d)
			}
		}
	}
}

func addNeed(r *rand.Rand, d *design.Document, l *larder.Larder) {
	m := l.Materials[r.IntN(len(l.Materials))]
	n := design.Need{
		ID:       string(rune('a'+len(d.Needs)%26)) + strings.Repeat("x", len(d.Needs)/26),
		Kind:     design.MaterialNeed,
		Material: m.ID,
	}
	n.Amount = []string{"", "20 mL", "5 g", "1 L"}[r.IntN(4)]
	d.Needs = append(d.Needs, n)
}

func addStep(r *rand.Rand, d *design.Document, actions, heats, volts []string) {
	s := design.Step{
		ID:      "s" + string(rune('a'+len(d.Steps)%26)) + strings.Repeat("x", len(d.Steps)/26),
		Kind:    "do",
		Closed:  r.IntN(3) == 0,
		Heat:    heats[r.IntN(4)],
		Voltage: volts[r.IntN(3)],
	}
	for range 1 + r.IntN(2) {
		s.Actions = append(s.Actions, actions[r.IntN(len(actions))])
		s.Uses = append(s.Uses, d.Needs[r.IntN(len(d.Needs))].ID)
	}
	d.Steps = append(d.Steps, s)
}

func TestCardsHaveWords(t *testing.T) {
	doors := map[safety.Door]int{}
	for _, c := range safety.Cards() {
		doors[c.Door]++
		for _, lang := range text.Languages {
			for _, m := range append(c.Steps, c.Title) {
				if s := text.Render(m, lang); strings.HasPrefix(s, "[") {
					t.Errorf("card %s lacks %s in %s", c.ID, m.ID, lang)
				}
			}
		}
	}
	if doors[safety.Hurt] < 10 || doors[safety.Spilled] < 3 {
		t.Errorf("too few cards: %v", doors)
	}
	d := plan("c: cell-button\n---\na: put with c\nb: touch-vertebrate")
	if got := safety.CardsFor(safety.Check(d)); !slices.Contains(got, "cell") || !slices.Contains(got, "sting") ||
		slices.Contains(got, "shock") ||
		!slices.Contains(got, "spill") {
		t.Errorf("%v", got)
	}
	for _, m := range append(safety.General(), safety.StopRules(safety.Check(d))...) {
		if strings.HasPrefix(text.Render(m, "es"), "[") {
			t.Errorf("%s lacks words", m.ID)
		}
	}
}

// large is a design of n steps with a thing each.
func large(n int) *design.Document {
	l := larder.Standard()
	d := plan("v: vinegar-white 5 % 50 mL\n---\na: pour with v")
	for i := range n - 1 {
		id := "n" + strings.Repeat("i", i%30) + string(rune('a'+i/30))
		d.Needs = append(d.Needs, design.Need{ID: id, Kind: design.MaterialNeed, Material: l.Materials[i*5%300].ID})
		d.Steps = append(d.Steps, design.Step{ID: "s" + id, Actions: []string{"stir"}, Uses: []string{id}})
	}
	return d
}

// Ten times the design takes at most twelve times the memory: the gate that
// holds on any machine, where times do not.
func TestGrowth(t *testing.T) {
	l := larder.Standard()
	allocations := func(n int) float64 {
		d := large(n)
		return testing.AllocsPerRun(5, func() { safety.Judge(d, l, nil) })
	}
	few, many := allocations(10), allocations(100)
	if many > 12*few {
		t.Errorf("%v allocations for 10 steps and %v for 100", few, many)
	}
}

// The check is linear: ten times the steps and needs, about ten times the
// time; a class of 30 homes thirty times one.
func BenchmarkJudge(b *testing.B) {
	l := larder.Standard()
	for _, n := range []int{6, 60} {
		d := large(n)
		b.Run(map[int]string{6: "6", 60: "60"}[n], func(b *testing.B) {
			for b.Loop() {
				safety.Judge(d, l, nil)
			}
		})
		if n == 6 {
			people := calm()
			b.Run("30-homes", func(b *testing.B) {
				for b.Loop() {
					for range 30 {
						safety.Judge(d, l, &people)
					}
				}
			})
		}
	}
}

// Whatever stands in a document: a report, and ways out that either fit or say
// that they do not.
func FuzzJudge(f *testing.F) {
	for _, lines := range []string{bag + "---\na: keep-apart, pour with v s in b closed",
		"p: peroxide-6 as oxygen-releaser 20 mL\n---\na: pour with p\nb: hot-water at 300 °C volts 9 V"} {
		raw, _ := json.Marshal(plan(lines))
		f.Add(raw)
	}
	l := larder.Standard()
	f.Fuzz(func(t *testing.T, raw []byte) {
		d, err := design.Read(raw)
		if err != nil || len(d.Steps) > 20 || len(d.Needs) > 20 || len(d.Materials) > 5 {
			return
		}
		r := safety.Judge(&d, l, nil)
		for _, finding := range r.Findings {
			for _, w := range safety.Mends(&d, l, finding) {
				if _, err := safety.Apply(&d, l, w.Change); err != nil {
					t.Fatalf("%+v: %v", w.Change, err)
				}
			}
		}
		for _, line := range r.Lines {
			for _, w := range safety.LineMends(&d, l, line) {
				if _, err := safety.Apply(&d, l, w.Change); err != nil {
					t.Fatalf("%+v: %v", w.Change, err)
				}
			}
		}
	})
}

// A range is judged at the most that may be taken, and an amount by eye where one decides is
// none: what is judged the same is judged by the same amount.
func TestAmountsThatAreFoundOtherwise(t *testing.T) {
	of := func(amount string, by design.AmountBy) *design.Document {
		d := plan("p: peroxide-3 3 % 50 mL\n---\na: pour with p")
		d.Needs[0].Amount, d.Needs[0].AmountBy = amount, by
		return d
	}
	rules := func(d *design.Document) (out []string) {
		for _, f := range judge(d).Findings {
			out = append(out, f.Rule+" "+string(f.Verdict))
		}
		return out
	}
	for amount, as := range map[string]string{"40 to 55 mL": "55 mL", "40 to 50 mL": "50 mL"} {
		if got, want := rules(of(amount, design.ByRange)), rules(of(as, "")); !slices.Equal(got, want) {
			t.Errorf("%s: %v; %s: %v", amount, got, as, want)
		}
	}
	if slices.Equal(rules(of("40 to 55 mL", design.ByRange)), rules(of("47.5 mL", ""))) {
		t.Error("a range is judged at its middle")
	}
	if r := judge(of("", design.ByEye)); !slices.ContainsFunc(r.Lines, func(l safety.Remark) bool {
		return l.Rule == "amount-missing" && l.Kind == safety.OrderError
	}) {
		t.Errorf("an amount by eye is taken where safety needs one: %+v", r.Lines)
	}
}
