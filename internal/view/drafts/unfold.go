package drafts

import (
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
)

// UnfoldedView is one wait of a design, straight to time.
type UnfoldedView struct {
	Seconds int          `json:"seconds" doc:"From its beginning to the latest end"`
	End     int          `json:"end" doc:"Seconds after which it ends as planned"`
	Soonest int          `json:"soonest" doc:"Seconds from which it may end"`
	Begins  string       `json:"begins" doc:"By the clock, such as 18:20"`
	Ends    string       `json:"ends" doc:"By the clock, with the days that lie between"`
	Hours   []UnfoldHour `json:"hours"`
	Homes   int          `json:"homes" doc:"How many are counted"`
	Says    []string     `json:"says" doc:"What it means for the homes, in sentences"`
}

// UnfoldHour is a moment of the wait.
type UnfoldHour struct {
	Second int    `json:"second" doc:"From the beginning of the wait"`
	Clock  string `json:"clock" doc:"By the clock, or the day of the week at midnight"`
	Night  bool   `json:"night,omitempty" doc:"A usual home sleeps"`
	Awake  int    `json:"awake" doc:"Homes in which somebody is awake"`
	Adult  int    `json:"adult" doc:"Those of them in which an adult is in"`
}

// usualClass is how many homes are counted where no class was chosen: one usual one.
var usualClass = []schedule.Hours{schedule.UsualHours}

// Unfold puts the wait before a step to the clock, from the time of the day at which the
// work begins; homes are those of a class, none for a usual one.
func Unfold(raw []byte, step, begin string, homes []schedule.Hours, language string) (UnfoldedView, error) {
	d, _, err := stepOf(raw, step)
	if err != nil {
		return UnfoldedView{}, err
	}
	typed, err := time.Parse(hour, begin)
	if err != nil {
		return UnfoldedView{}, refusal.Field("begin", refusal.Rule("clock"), "18:00")
	}
	if len(homes) == 0 {
		homes = usualClass
	}
	u, ok := schedule.WorkOf(d, adultSteps(d)...).Unfold(onDay(1, typed), step, homes)
	if !ok {
		return UnfoldedView{}, refusal.ErrNotFound
	}
	since := func(t time.Time) int { return int(t.Sub(u.From).Seconds()) }
	v := UnfoldedView{
		Seconds: since(u.Latest), End: since(u.To), Soonest: since(u.Earliest),
		Begins: u.From.Format(hour), Ends: u.To.Format(hour), Hours: []UnfoldHour{}, Homes: len(homes),
	}
	v.Ends += text.Render(days("after", daysBetween(u.From, u.To)), language)
	night := false
	for _, h := range u.Hours {
		asleep := schedule.UsualAwake.Next(h.At).After(h.At)
		words := h.At.Format(hour)
		if words == "00:00" {
			words = text.Of(language).Weekdays[h.At.Weekday()]
		}
		v.Hours = append(v.Hours, UnfoldHour{since(h.At), words, asleep, h.Awake, h.Adult})
		night = night || asleep
	}
	v.Says = unfoldedWords(d, u, step, homes, night, language)
	return v, nil
}

// unfoldedWords say who has to do what in a wait: nobody in it, and at its end whoever is
// awake.
func unfoldedWords(
	d *design.Document, u schedule.Unfolded, step string, homes []schedule.Hours, night bool, language string,
) []string {
	long := stripWriter{language: language}.long(u.To.Sub(u.From))
	id := "unfold.nobody"
	if night && u.Ends.Awake > 0 {
		id = "unfold.nobody-at-night"
	}
	says := []text.Message{text.M(id, "long", long)}
	n := len(homes)
	switch {
	case n == 1 && u.Ends.Awake == 0:
		says = append(says, text.M("unfold.ends-asleep", "at", u.To.Format(hour)))
	case n > 1:
		says = append(says, text.M("unfold.ends", "at", u.To.Format(hour), "awake", u.Ends.Awake, "n", n))
		for _, adult := range adultSteps(d) {
			if adult == step {
				says = append(says, text.M("unfold.ends-adult", "adult", u.Ends.Adult, "n", n))
			}
		}
	}
	if u.Latest.After(u.Earliest) {
		from, to := u.Earliest.Format(hour), u.Latest.Format(hour)
		if daysBetween(u.Earliest, u.Latest) > 0 { // an hour alone would not say of which day
			from += text.Render(days("after", daysBetween(u.From, u.Earliest)), language)
			to += text.Render(days("after", daysBetween(u.From, u.Latest)), language)
		}
		says = append(says, text.M("unfold.window", "from", from, "to", to))
	}
	out := []string{}
	for _, m := range says {
		out = append(out, text.Render(m, language))
	}
	return out
}
