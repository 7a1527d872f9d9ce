package design

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

// given checks what a reading's kind needs to be asked: a unit and tools, levels,
// options or things.
func (v *validator) given(r *Reading, path string) {
	if check, ok := kindChecks[r.Sort()]; ok {
		check(v, r, path)
	}
}

// kindChecks are by kind; text needs nothing more, and an unknown kind is said
// elsewhere.
var kindChecks = map[ReadingKind]func(v *validator, r *Reading, path string){
	QuantityKind: (*validator).measured,
	CountKind:    (*validator).of,
	OrdinalKind: func(v *validator, r *Reading, path string) {
		if n := len(r.Levels); n < MinLevels || n > MaxLevels {
			v.say(Error, "levels", path+"/levels", text.Args{"n": n, "least": MinLevels, "most": MaxLevels})
		}
		v.choices(r.Levels, path+"/levels")
	},
	ChoiceKind: func(v *validator, r *Reading, path string) {
		v.options(r, path)
		if r.Right != "" && !slices.ContainsFunc(r.Options, func(c Choice) bool { return c.ID == r.Right }) {
			v.say(Error, "right-option", path+"/right", text.Args{"typed": r.Right})
		}
	},
	SeveralKind: (*validator).options,
	OrderKind: func(v *validator, r *Reading, path string) {
		if n := len(v.d.Choices(r)); n < 2 || n > MaxThings {
			v.say(Error, "things", path+"/things", text.Args{"n": n, "most": MaxThings})
		}
		v.choices(r.Things, path+"/things")
		if n := len(v.d.Choices(r)); r.Pairs && n > reading.MostInPairs {
			v.say(Error, "too-many-pairs", path+"/pairs", text.Args{"n": n, "most": reading.MostInPairs})
		}
		if r.PerCondition() && len(r.Things) == 0 {
			v.say(Error, "order-per-condition", path+"/per", text.Args{"name": r.Name})
		}
	},
	StageOrderKind: func(v *validator, r *Reading, path string) {
		if n := len(v.d.Choices(r)); n < 2 || n > MaxThings {
			v.say(Error, "stages-in-order", path+"/stages", text.Args{"n": n, "most": MaxThings})
		}
		v.choices(r.Stages, path+"/stages")
	},
	ZonesKind:    (*validator).zones,
	WordsKind:    (*validator).senses,
	EventKind:    (*validator).event,
	PositionKind: (*validator).place,
}

// of checks how many there are in all.
func (v *validator) of(r *Reading, path string) {
	if _, ok := r.Total(); !ok && strings.TrimSpace(r.Of) != "" {
		v.say(Error, "count-of", path+"/of", text.Args{"typed": r.Of})
	}
}

func (v *validator) options(r *Reading, path string) {
	if len(r.Options) < 2 {
		v.say(Error, "no-options", path+"/options", nil)
	}
	v.choices(r.Options, path+"/options")
}

// senses checks that there are words, by senses that are known.
func (v *validator) senses(r *Reading, path string) {
	if len(v.d.Choices(r)) == 0 {
		v.say(Error, "no-words-to-say", path+"/senses", nil)
	}
	for _, s := range slices.Sorted(maps.Keys(r.Senses)) {
		if !slices.Contains(Senses, s) {
			v.say(
				Error,
				"kind",
				path+"/senses",
				text.Args{"typed": string(s), "list": []string{"looks", "feels", "smells", "sounds"}},
			)
		}
		v.choices(r.Senses[s], fmt.Sprintf("%s/senses/%s", path, s))
	}
}

// event checks the unit of a time, and by when not having happened is an answer.
func (v *validator) event(r *Reading, path string) {
	if u, ok := quantity.LookupUnit(r.Unit); !ok || u.Dim != quantity.Time {
		v.say(Error, "event-unit", path+"/unit", text.Args{"typed": r.Unit})
	}
	if r.NotBy == "" {
		v.say(Error, "not-by", path+"/not_by", text.Args{"name": r.Name})
		return
	}
	v.duration(r.NotBy, path+"/not_by")
}

// place checks the picture of a position, its fixed spot and its ruler.
func (v *validator) place(r *Reading, path string) {
	p := r.Placed()
	path += "/place"
	if !slices.Contains(Grounds, p.Picture) {
		v.say(Error, "kind", path+"/picture", text.Args{"typed": string(p.Picture),
			"list": []string{"field", "sheet", "dish", "glass"}})
	}
	if p.As != "" && p.As != Distance && p.As != Direction {
		v.say(Error, "kind", path+"/as", text.Args{"typed": string(p.As), "list": []string{"distance", "direction"}})
	}
	if !p.From.On() {
		v.say(Error, "spot", path+"/from", nil)
	}
	if _, ok := p.width(); p.Ruler != "" && !ok {
		v.say(Error, "picture-width", path+"/ruler", text.Args{"typed": p.Ruler})
	}
}

// choices checks that levels, options and things have ids of their own and words.
func (v *validator) choices(list []Choice, path string) { v.worded(list, path, "word") }

// worded checks that what is listed has ids of its own, and words in a field of that name.
func (v *validator) worded(list []Choice, path, field string) {
	seen := map[string]bool{None: true, NotSure: true}
	for i, c := range list {
		at := fmt.Sprintf("%s/%d", path, i)
		switch {
		case !idPattern.MatchString(c.ID):
			v.say(Error, "bad-id", at+"/id", text.Args{"typed": c.ID})
		case seen[c.ID]:
			v.say(Error, "same-id", at+"/id", text.Args{"typed": c.ID})
		}
		seen[c.ID] = true
		if empty(c.Word) {
			v.say(Error, "no-name", at+"/"+field, nil)
		}
	}
}

// zones checks that there are some to tell apart, their areas, and the looks.
func (v *validator) zones(r *Reading, path string) {
	if n := len(r.Zones); n < 2 || n > MaxZones {
		v.say(Error, "zones", path+"/zones", text.Args{"n": n, "most": MaxZones})
	}
	v.choices(v.d.Choices(r), path+"/zones")
	sized := 0
	for _, z := range r.Zones {
		if z.Area > 0 {
			sized++
		}
	}
	if sized > 0 && sized < len(r.Zones) {
		v.say(Error, "zone-areas", path+"/zones", nil)
	}
	v.of(r, path)
	for k, t := range r.Settling {
		if !slices.Contains(r.Times, t) {
			v.say(Error, "settling", fmt.Sprintf("%s/settling/%d", path, k), text.Args{"typed": t})
		}
	}
}

// measured checks the unit, limits and tools of a quantity.
func (v *validator) measured(r *Reading, path string) {
	unit, ok := quantity.LookupUnit(r.Unit)
	if !ok {
		v.say(Error, "unit", path+"/unit", text.Args{"typed": r.Unit})
		return
	}
	for _, limit := range [][2]string{{"low", r.Low}, {"high", r.High}, {"repeatability", r.Repeatability}} {
		if limit[1] != "" && !hasDim(limit[1], unit.Dim) &&
			!v.bare(Error, "bare-number", limit[1], r.Unit, path+"/"+limit[0]) {
			v.say(Error, "limit", path+"/"+limit[0], text.Args{"typed": limit[1], "unit": r.Unit})
		}
	}
	if len(r.Instruments) == 0 {
		v.say(Warning, "no-instrument", path+"/instruments", text.Args{"name": r.Name})
	}
	for k, in := range r.Instruments {
		at := fmt.Sprintf("%s/instruments/%d/resolution", path, k)
		if !hasDim(in.Resolution, unit.Dim) && !v.bare(Error, "bare-number", in.Resolution, r.Unit, at) {
			v.say(Error, "limit", at, text.Args{"typed": in.Resolution, "unit": r.Unit})
		}
	}
}
