package design

import (
	"slices"

	"patient-kitchen/core/text"
)

// Take is a reading taken in a step. A part left out means all of it: every
// condition, object, trial, planned time or stage.
type Take struct {
	Reading   string `json:"reading"`
	Condition string `json:"condition,omitempty"`
	Object    string `json:"object,omitempty" doc:"Such as upright-2, the second of the objects called upright"`
	Trial     int    `json:"trial,omitempty" minimum:"0" maximum:"20"`
	Time      string `json:"time,omitempty"`
	Stage     string `json:"stage,omitempty"`
}

// Has reports whether a slot is among what is taken.
func (t Take) Has(s Slot) bool {
	return t.Reading == s.Reading && (t.Condition == "" || t.Condition == s.Condition) &&
		(t.Object == "" || t.Object == s.Object) && (t.Trial == 0 || t.Trial == s.Trial) &&
		(t.Time == "" || t.Time == s.Time) && (t.Stage == "" || t.Stage == s.Stage)
}

// asks reports whether the design has what a take names.
func (d *Document) asks(t Take) bool {
	r, ok := d.Reading(t.Reading)
	if !ok || t.Trial < 0 || t.Trial > d.TrialsOf(r) || t.Time != "" && !slices.Contains(r.Times, t.Time) {
		return false
	}
	for _, part := range []struct {
		id  string
		per bool
		ids []string
	}{
		{t.Condition, r.PerCondition(), d.conditionIDs()},
		{t.Object, r.PerObject(), d.ObjectIDs()},
		{t.Stage, r.PerStage(), d.stageIDs()},
	} {
		if part.id != "" && !(part.per && slices.Contains(part.ids, part.id)) {
			return false
		}
	}
	return true
}

// Taken lists the slots that a step asks for, in the order of all slots.
func (d *Document) Taken(s *Step) []Slot {
	var out []Slot
	for i := range d.Readings {
		r := &d.Readings[i]
		if !slices.ContainsFunc(s.Takes, func(t Take) bool { return t.Reading == r.ID }) {
			continue // its slots need not be laid out
		}
		for _, slot := range d.slotsOf(r) {
			if slices.ContainsFunc(s.Takes, func(t Take) bool { return t.Has(slot) }) {
				out = append(out, slot)
			}
		}
	}
	return out
}

// Reading is something measured, counted, judged, chosen or put in order.
type Reading struct {
	ID            string             `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Kind          ReadingKind        `json:"kind,omitempty" enum:"quantity,count,ordinal,yes-partly-no,choice,several,order,stage-order,zones,words,event,position,text" doc:"Left out: quantity"`
	Symbol        string             `json:"symbol,omitempty" doc:"Its name in formulas, of a quantity, count, event or position" pattern:"^[A-Za-z_][A-Za-z0-9_]*$"`
	Name          text.Localized     `json:"name"`
	Unit          string             `json:"unit,omitempty" doc:"Of a quantity: shown beside the field; of a count left out"`
	Of            string             `json:"of,omitempty" doc:"Of a count or zones: how many there are in all; left out: open"`
	Levels        []Choice           `json:"levels,omitempty" doc:"Of a scale: 2 to 7 of them, in their order"`
	Most          string             `json:"most,omitempty" enum:"first,last" doc:"The end of the scale that is more; left out: the last"`
	Partly        text.Localized     `json:"partly,omitempty" doc:"Of yes, partly or no: what partly means"`
	Cut           string             `json:"cut,omitempty" enum:"yes,no,between" doc:"Whether partly counts as yes or no; left out: between them"`
	Options       []Choice           `json:"options,omitempty" doc:"Of a choice or several"`
	Right         string             `json:"right,omitempty" doc:"Of a choice: the id of the right option, if there is one"`
	None          bool               `json:"none,omitempty" doc:"Of a choice or several: none of them can be chosen"`
	NotSure       bool               `json:"not_sure,omitempty" doc:"Of a choice: not sure can be chosen"`
	Things        []Choice           `json:"things,omitempty" doc:"Of an order: what is put in order; left out: the conditions"`
	Pairs         bool               `json:"pairs,omitempty" doc:"Of an order of two to five things: asked two at a time"`
	Stages        []Choice           `json:"stages,omitempty" doc:"Of stage-order: what came one after the other; left out: the stages of the experiment"`
	Zones         []Zone             `json:"zones,omitempty" doc:"Of zones: 2 to 6 of them; the looks are its times"`
	Settling      []string           `json:"settling,omitempty" doc:"Of zones: times of looks that are left out, while they settle"`
	Senses        map[Sense][]Choice `json:"senses,omitempty" doc:"Of words: the list of each sense: looks, feels, smells, sounds"`
	NotBy         string             `json:"not_by,omitempty" doc:"Of an event: the time after the start at which not having happened is an answer, such as 120 min"`
	Place         *Place             `json:"place,omitempty" doc:"Of a position: the picture it is marked on, and what it comes to"`
	From          text.Localized     `json:"from,omitempty" doc:"Of an order: the word at its beginning, such as highest"`
	To            text.Localized     `json:"to,omitempty" doc:"Of an order: the word at its end, such as lowest"`
	Instruments   []Instrument       `json:"instruments,omitempty" doc:"Tools it can be taken with; the first is the usual one"`
	Times         []string           `json:"times,omitempty" doc:"Planned times, such as 1 min"`
	Per           []PartOf           `json:"per,omitempty" enum:"condition,object,stage" doc:"Parts of which it is taken each by itself"`
	Low           string             `json:"low,omitempty" doc:"Physical limit below which a value is asked about"`
	High          string             `json:"high,omitempty" doc:"Physical limit above which a value is asked about"`
	Trials        int                `json:"trials,omitempty" minimum:"0" maximum:"20" doc:"Trials of its own; 1: measured once at each home, whatever is tried again; left out: as many as the design has"`
	Deeper        bool               `json:"deeper,omitempty" doc:"Only for those who go deeper: taken where a home chooses to, and never waited for"`
	Repeatability string             `json:"repeatability,omitempty" doc:"How far the same thing measured again falls apart, as one standard deviation"`
	Guidance      text.Localized     `json:"guidance,omitempty"`
}

// Constant is a value that formulas use by its symbol: of the whole class, such as the
// height of the school above the sea, or one that each home has of its own.
type Constant struct {
	Symbol string         `json:"symbol" doc:"Its name in formulas" pattern:"^[A-Za-z_][A-Za-z0-9_]*$"`
	Name   text.Localized `json:"name"`
	Value  string         `json:"value" doc:"With unit, and its give or take where it has one, such as 340 m ± 5 m; of a home's own value the usual one"`
	Own    string         `json:"own,omitempty" enum:"teaspoon,bag,jar,reaction,printed-ruler,altitude,kitchen-temperature,water-temperature" doc:"What each home measures once; its value then stands in the place of the usual one"`
}

// Instrument is a tool that shows a value in steps.
type Instrument struct {
	ID         string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Name       text.Localized `json:"name"`
	Resolution string         `json:"resolution" doc:"Smallest step of a display or division of a scale, such as 1 mm"`
	Analogue   bool           `json:"analogue,omitempty" doc:"Read by eye to half a division"`
}

// Instrument finds one of a reading's instruments; an unknown or empty id is
// the usual one, and a reading without any has none.
func (r *Reading) Instrument(id string) (Instrument, bool) {
	for _, in := range r.Instruments {
		if in.ID == id {
			return in, true
		}
	}
	if len(r.Instruments) > 0 {
		return r.Instruments[0], true
	}
	return Instrument{}, false
}

// Slot is one reading that is to be taken.
type Slot struct {
	Reading   string `json:"reading"`
	Condition string `json:"condition,omitempty"`
	Object    string `json:"object,omitempty"`
	Time      string `json:"time,omitempty"`
	Trial     int    `json:"trial"` // from 1
	Stage     string `json:"stage,omitempty"`
}

// In reports whether a slot belongs to what is compared as lane: the condition or
// stage of this id. "" is all of it, and what is read once belongs to every lane.
func (s Slot) In(lane string) bool {
	return lane == "" || s.Condition == lane || s.Condition == "" && (s.Stage == lane || s.Stage == "")
}

// Slots lists every reading the document asks for, in the order of readings,
// conditions, objects, trials, times and stages.
func (d *Document) Slots() []Slot {
	var out []Slot
	for i := range d.Readings {
		out = append(out, d.slotsOf(&d.Readings[i])...)
	}
	return out
}

// slotsOf are the slots of one reading.
func (d *Document) slotsOf(r *Reading) []Slot {
	conditions := parts(r.PerCondition(), d.conditionIDs())
	objects := parts(r.PerObject(), d.ObjectIDs())
	times := parts(true, r.Times)
	stages := parts(r.PerStage(), d.stageIDs())
	trials := d.TrialsOf(r)
	out := make([]Slot, 0, len(conditions)*len(objects)*trials*len(times)*len(stages))
	for _, c := range conditions {
		for _, o := range objects {
			for trial := 1; trial <= trials; trial++ {
				for _, t := range times {
					for _, s := range stages {
						out = append(out, Slot{r.ID, c, o, t, trial, s})
					}
				}
			}
		}
	}
	return out
}

// parts are the ids of parts of which a reading is taken each by itself, or one
// without a name where it is not.
func parts(each bool, ids []string) []string {
	if !each || len(ids) == 0 {
		return []string{""}
	}
	return ids
}

// TrialsOf is how often a reading is taken again.
func (d *Document) TrialsOf(r *Reading) int {
	if r.Trials > 0 {
		return r.Trials
	}
	return max(1, d.Trials)
}
