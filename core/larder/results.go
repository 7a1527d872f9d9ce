package larder

import (
	"slices"

	"patient-kitchen/core/text"
)

// Result is a kind of result that a measured variable can name: it decides
// which swaps compare.
type Result struct {
	ID       string         `json:"id"`
	Words    text.Localized `json:"words"`
	Quantity []string       `json:"quantity,omitempty" doc:"Dimensions of the readings it fits"`
	Kinds    []string       `json:"kinds,omitempty" doc:"Other kinds of reading it fits"`
	Also     []string       `json:"also,omitempty" doc:"Words of the swaps for it"`
	Whoever  []string       `json:"whoever,omitempty" doc:"Jobs that do not touch it, whichever thing does them"`
	KeepsGas bool           `json:"keeps_gas,omitempty" doc:"It is lost when the gas gets out: the vessel cannot be left open"`
}

// Result finds a kind of result by its id.
func (l *Larder) Result(id string) (*Result, bool) {
	i := slices.IndexFunc(l.Kinds, func(r Result) bool { return r.ID == id })
	if i < 0 {
		return nil, false
	}
	return &l.Kinds[i], true
}

// ResultName words what swaps tell apart: a kind of result, or something narrower
// that only a swap names.
func (l *Larder) ResultName(id string) text.Localized {
	if kind, ok := l.Result(id); ok {
		return kind.Words
	}
	if words, ok := l.ResultWords[id]; ok {
		return words
	}
	for i := range l.Kinds {
		if slices.Contains(l.Kinds[i].Also, id) {
			return l.Kinds[i].Words
		}
	}
	return text.Localized{"en": id}
}

// about reports whether a rule speaks of a result: by its own word, or by one
// of the words that swaps have for it, if the rule is strict there. A rule that
// lets results join holds for those alone that it names.
func (r *SwapRule) about(result string, l *Larder) bool {
	if slices.Contains(r.Results, result) || slices.Contains(r.Results, "any") {
		return true
	}
	kind, ok := l.Result(result)
	return ok && (r.Class == Separate || r.Class == Unsuitable) &&
		slices.ContainsFunc(kind.Also, func(w string) bool { return slices.Contains(r.Results, w) })
}

// Results lists everything that some rule tells apart, in the alphabet's
// order: the words a design uses for what is measured.
func (l *Larder) Results() []string {
	var out []string
	for _, r := range l.Rules {
		for _, res := range r.Results {
			if res != "any" && !slices.Contains(out, res) {
				out = append(out, res)
			}
		}
	}
	slices.Sort(out)
	return out
}
