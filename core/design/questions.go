package design

import (
	"slices"

	"patient-kitchen/core/text"
)

// Question is put to the student.
type Question struct {
	ID      string         `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	When    string         `json:"when" enum:"before,while,after" doc:"before is the prediction"`
	Kind    string         `json:"kind" enum:"choice,quantity,text,order"`
	Text    text.Localized `json:"text"`
	Options []Choice       `json:"options,omitempty" doc:"For choice and order; left out: the conditions"`
	Unit    string         `json:"unit,omitempty" doc:"For quantity"`
	Least   bool           `json:"least,omitempty" doc:"For choice and order of the conditions: the least is asked for, or stands first; left out: the most"`
}

// QuestionOf finds a question by its id.
func (d *Document) QuestionOf(id string) (*Question, bool) {
	i := slices.IndexFunc(d.Questions, func(q Question) bool { return q.ID == id })
	if i < 0 {
		return nil, false
	}
	return &d.Questions[i], true
}

// OptionsOf lists what a question of choice or order offers: its own options,
// or the conditions.
func (d *Document) OptionsOf(q *Question) []Choice {
	out := slices.Clone(q.Options)
	if len(q.Options) == 0 && (q.Kind == "order" || q.Kind == "choice") {
		for _, c := range d.Conditions {
			out = append(out, Choice{ID: c.ID, Word: c.Name})
		}
	}
	return out
}

// Claim is something that the class's results will support, or not.
type Claim struct {
	ID        string   `json:"id" pattern:"^[a-z][a-z0-9-]{0,39}$"`
	Says      string   `json:"says" enum:"more,less,differs,same,rises,falls,order,equals,share"`
	Value     string   `json:"value,omitempty" doc:"Id of a reading or derived value; left out: the first"`
	Condition string   `json:"condition,omitempty"`
	Option    string   `json:"option,omitempty" doc:"For share: the id of the option, or right; of several options or words: the one that is compared"`
	Zone      string   `json:"zone,omitempty" doc:"Of zones: the id of the one that is held against its even share"`
	Against   string   `json:"against,omitempty" doc:"Id of the condition it is compared with; left out: the control"`
	Order     []string `json:"order,omitempty" doc:"Ids of conditions, the least first; of a reading that is an order its things, from its beginning on"`
	Stated    string   `json:"stated,omitempty" doc:"For equals: the value, with unit; for share: the share by chance, such as 1/4; left out: guessing"`
	Matters   string   `json:"matters,omitempty" doc:"The smallest size that matters; left out: the value's"`
}

// Says are what a claim can say.
var Says = []string{"more", "less", "differs", "same", "rises", "falls", "order", "equals", "share"}
