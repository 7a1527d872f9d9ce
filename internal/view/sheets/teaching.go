package sheets

import "patient-kitchen/core/design"

// TermRow is a word with what it means.
type TermRow struct {
	Word  string `json:"word"`
	Means string `json:"means"`
}

// Explained is what is read after the work.
type Explained struct {
	Why    string `json:"why,omitempty"`
	Deeper string `json:"deeper,omitempty" doc:"For those who go deeper"`
	Next   string `json:"next,omitempty" doc:"What could be tried next"`
}

// ExplainedTo is what a home reads after its work; nil before the release, and where nothing
// is explained.
func ExplainedTo(d *design.Document, sent, over bool, language string) *Explained {
	t := &d.Teaching
	if !t.Releases(sent, over) {
		return nil
	}
	w := &writer{language: language}
	e := Explained{w.say(t.Explanation), w.say(t.Deeper), w.say(t.Extension)}
	if e == (Explained{}) {
		return nil
	}
	return &e
}

// News is what changed since an earlier version.
type News struct {
	Since int      `json:"since" doc:"Number of the earlier version"`
	Lines []string `json:"lines"`
}
