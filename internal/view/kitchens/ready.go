package kitchens

import (
	"cmp"
	"slices"

	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

// Ready is a ready experiment held against the kitchens of a class.
type Ready struct {
	Example string `json:"example" doc:"By which a draft begins with it"`
	Title   string `json:"title"`
	Ask     string `json:"question"`
	Nothing int    `json:"nothing" doc:"Homes that need nothing from anybody"`
	Homes   int    `json:"homes"`
	Minutes int    `json:"minutes"`
	Says    string `json:"says" doc:"The same and the adult jobs in a sentence"`
}

// ReadyOf holds a ready experiment against the kitchens of a class.
func ReadyOf(name string, w *fit.Supplies, class kitchen.Class, language string) Ready {
	d := w.Design()
	out := Ready{Example: name, Homes: len(class.Homes)}
	out.Title, _ = d.Title.In(language)
	out.Ask, _ = d.Question.In(language)
	for _, h := range w.Fit(class).Homes {
		gets := slices.ContainsFunc(h.Choices, func(c fit.Choice) bool { return !c.Without && (c.Get || c.Kit) })
		if (h.Verdict == fit.AsDesigned || h.Verdict == fit.WithSubstitutes) && !gets {
			out.Nothing++
		}
	}
	out.Minutes = int(review.Of(d).Timeline.Total.Minutes() + 0.5)
	says := "fit.ready"
	if len(safety.AdultJobs(d, w.Findings())) == 0 {
		says = "fit.ready-alone"
	}
	out.Says = text.Render(text.M(
		says, "n", out.Nothing, "homes", out.Homes, "minutes", out.Minutes, "jobs",
		len(safety.AdultJobs(d, w.Findings())),
	), language)
	return out
}

// Ranked puts ready experiments in order: those first that the most homes can do at once,
// then the shorter ones.
func Ranked(all []Ready) []Ready {
	slices.SortStableFunc(all, func(a, b Ready) int {
		return cmp.Or(-cmp.Compare(a.Nothing, b.Nothing), cmp.Compare(a.Minutes, b.Minutes),
			cmp.Compare(a.Example, b.Example))
	})
	return all
}
