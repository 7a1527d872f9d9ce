package compare

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand"
	"os"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/cputime"
)

// mixed is a design that asks a level, an order, a choice and a count.
func mixed(conditions, trials int) *design.Document {
	word := func(id string) design.Choice { return design.Choice{ID: id, Word: text.Localized{"en": id}} }
	words := func(ids ...string) (out []design.Choice) {
		for _, id := range ids {
			out = append(out, word(id))
		}
		return out
	}
	per := []design.PartOf{design.Conditions}
	d := &design.Document{
		Trials:   trials,
		Question: text.Localized{"en": "?"},
		Readings: []design.Reading{
			{ID: "level", Kind: design.OrdinalKind, Per: per, Levels: words("all", "much", "little", "nothing")},
			{ID: "held", Kind: design.YesPartlyNoKind, Per: per},
			{ID: "count", Kind: design.CountKind, Symbol: "n", Unit: "1", Of: "20", Per: per},
			{ID: "ear", Kind: design.OrderKind, Things: words("a", "b", "c", "d"), Trials: 1},
			{ID: "sound", Kind: design.ChoiceKind, Right: "a", Options: words("a", "b", "c", "d", "e"), Trials: 1},
		},
		Claims: []design.Claim{
			{ID: "order", Says: "order", Value: "ear", Order: []string{"a", "b", "c", "d"}},
			{ID: "told", Says: "share", Value: "sound", Option: "right"},
		},
	}
	for k := range conditions {
		d.Conditions = append(d.Conditions, design.Condition{ID: fmt.Sprintf("c%d", k), Control: k == 0})
		if k > 0 {
			d.Claims = append(d.Claims, design.Claim{ID: fmt.Sprintf("level-%d", k), Says: "differs", Value: "level",
				Condition: fmt.Sprintf("c%d", k), Against: "c0"})
		}
	}
	return d
}

// guessed fills a made-up home's notebook in which nothing differs.
func guessed(rng *rand.Rand, d *design.Document) *notebook.Book {
	own := rng.NormFloat64()
	var entries []notebook.Entry
	for i, slot := range d.Slots() {
		e := notebook.Entry{
			ID: fmt.Sprintf("%04d", i), Kind: notebook.Reading, Provenance: notebook.Own, Slot: slot,
			Received: time.Date(2027, 2, 2, 10, 0, i, 0, time.UTC),
		}
		feels := own + rng.NormFloat64()
		switch slot.Reading {
		case "level":
			e.Given = &notebook.Given{Level: []string{"all", "much", "little",
				"nothing"}[min(3, max(0, int(math.Floor(feels+2))))]}
		case "held":
			e.Given = &notebook.Given{Answer: []string{"yes", "partly",
				"no"}[min(2, max(0, int(math.Floor(feels+1.5))))]}
		case "count":
			n := min(20, max(0, int(10+3*feels)))
			e.Given = &notebook.Given{Count: &n, Escaped: rng.Intn(2)}
		case "ear":
			things := []string{"a", "b", "c", "d"}
			rng.Shuffle(4, func(i, j int) { things[i], things[j] = things[j], things[i] })
			e.Given = &notebook.Given{Order: [][]string{{things[0]}, {things[1]}, things[2:]}}
		case "sound":
			e.Given = &notebook.Given{Chosen: []string{[]string{"a", "b", "c", "d", "e"}[rng.Intn(5)]}}
		}
		entries = append(entries, e)
	}
	return notebook.Open(d, entries, reading.Writer{Language: "en"}, nil)
}

// Where nothing differs, nobody can tell and orders are by chance, at most 5 % of
// classes hear of anything, over levels, an order and a choice together.
func TestSimulatedKinds(t *testing.T) {
	classes := 200
	switch {
	case os.Getenv("PK_TEST_LONG") != "":
		classes = 2000
	case testing.Short():
		t.Skip("simulated classes are for the whole tier")
	}
	d := mixed(3, 1)
	limit := 0.05 + 2*math.Sqrt(0.05*0.95/float64(classes))
	for _, homes := range []int{8, 20} {
		rng := rand.New(rand.NewSource(int64(homes)))
		said := 0
		for range classes {
			var class []Home
			for h := range homes {
				class = append(class, Home{Key: fmt.Sprint(h), Book: guessed(rng, d)})
			}
			a := analyse(d, class)
			for _, f := range a.findings("before", claims(d, a.outcomes, 0)) {
				if f.Verdict == stats.Supported {
					said++
					break
				}
			}
		}
		share := float64(said) / float64(classes)
		t.Logf("%d homes, %d classes: %.1f %% hear of something that is not there", homes, classes, 100*share)
		if share > limit {
			t.Errorf("%.1f %%, want at most %.1f", 100*share, 100*limit)
		}
	}
}

// Many homes with readings of all kinds are compared in the time of a breath, and
// ten times as many take at most twelve times as long.
func TestManyHomesOfAllKinds(t *testing.T) {
	d := mixed(4, 3) // 38 readings a home
	make := func(homes int) []Home {
		rng := rand.New(rand.NewSource(1))
		out := []Home{}
		for h := range homes {
			out = append(out, Home{Key: fmt.Sprint(h), Book: guessed(rng, d)})
		}
		return out
	}
	took := func(class []Home) time.Duration {
		best := time.Hour
		for range 3 {
			best = min(best, cputime.Of(func() {
				if len(Class(d, class)) != 5 {
					t.Fatal("a kind is not compared")
				}
			}))
		}
		return best
	}
	few, many := took(make(100)), took(make(1000))
	t.Logf("%d readings: 100 homes %v, 1000 homes %v, %.1f times", len(d.Slots()), few, many,
		float64(many)/float64(few))
	if many > time.Second || float64(many) > 12*float64(few) && many > 200*time.Millisecond {
		t.Errorf("1000 homes take %v, 100 homes %v", many, few)
	}
}

// What a file says of kinds is taken or refused, and never ends the program.
func FuzzGiven(f *testing.F) {
	for _, seed := range []string{`{"level": "all"}`, `{"count": 3, "escaped": 1}`, `{"order": [["a"], ["b", "c"],
		["d"]]}`, `{"chosen": ["a"]}`, `{"answer": "yes"}`, `{"order": [[]], "left_out": ["a"]}`} {
		f.Add(seed)
	}
	d := mixed(2, 1)
	f.Fuzz(func(t *testing.T, raw string) {
		var g *notebook.Given
		if json.Unmarshal([]byte(raw), &g) != nil {
			return
		}
		for _, slot := range d.Slots() {
			e := notebook.Entry{ID: "e", Kind: notebook.Reading, Slot: slot, Given: g, Received: time.Unix(0, 0)}
			if notebook.Fits(d, &e) != nil {
				continue
			}
			class := []Home{{Key: "h", Book: notebook.Open(d, []notebook.Entry{e}, reading.Writer{Language: "es"},
				nil)}}
			Work(d, class, true)
			if e.Given != nil {
				text.Render(e.Given.Said(d, &d.Readings[0]), "es")
			}
		}
	})
}

// Animals of one home are pulled alike by the place they stand in; nothing is preferred
// over homes. Looks and animals are no more homes: at most 5 % of classes hear of a
// preference.
func TestSimulatedZones(t *testing.T) {
	classes := 200
	switch {
	case os.Getenv("PK_TEST_LONG") != "":
		classes = 2000
	case testing.Short():
		t.Skip("simulated classes are for the whole tier")
	}
	d := &design.Document{
		Trials:   1,
		Question: text.Localized{"en": "?"},
		Readings: []design.Reading{{ID: "where", Kind: design.ZonesKind, Times: []string{"5 min", "15 min", "30 min"},
			Zones: []design.Zone{{ID: "a"}, {ID: "b"}, {ID: "c"}}}},
		Claims: []design.Claim{{ID: "a", Says: "more", Value: "where", Zone: "a"}},
	}
	rng := rand.New(rand.NewSource(8))
	said := 0
	for range classes {
		var class []Home
		for h := range 10 {
			pull := [3]float64{math.Exp(0.5 * rng.NormFloat64()), math.Exp(0.5 * rng.NormFloat64()),
				math.Exp(0.5 * rng.NormFloat64())}
			all := pull[0] + pull[1] + pull[2]
			var entries []notebook.Entry
			for i, slot := range d.Slots() {
				counts := map[string]int{"a": 0, "b": 0, "c": 0}
				for range 8 {
					switch u := rng.Float64() * all; {
					case u < pull[0]:
						counts["a"]++
					case u < pull[0]+pull[1]:
						counts["b"]++
					default:
						counts["c"]++
					}
				}
				entries = append(entries, notebook.Entry{
					ID: fmt.Sprint(i), Kind: notebook.Reading, Provenance: notebook.Own, Slot: slot,
					Given: &notebook.Given{Counts: counts}, Received: time.Unix(int64(i), 0),
				})
			}
			class = append(class,
				Home{Key: fmt.Sprint(h), Book: notebook.Open(d, entries, reading.Writer{Language: "en"}, nil)})
		}
		a := analyse(d, class)
		if f := a.findings("before", claims(d, a.outcomes, 0)); f[0].Verdict == stats.Supported ||
			f[0].Reason == OtherWay {
			said++
		}
	}
	share := float64(said) / float64(classes)
	t.Logf("%d classes of 10 homes with 8 animals and 3 looks: %.1f %% hear of a preference that is not there", classes,
		100*share)
	if limit := 0.05 + 2*math.Sqrt(0.05*0.95/float64(classes)); share > limit {
		t.Errorf("%.1f %%, want at most %.1f", 100*share, 100*limit)
	}
}
