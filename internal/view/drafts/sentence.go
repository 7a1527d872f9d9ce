package drafts

import (
	"encoding/json"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/sentence"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
)

// SentenceView is what the program read in a step's text.
type SentenceView struct {
	Sequence  int            `json:"sequence" doc:"That of the question, so that stale answers can be dropped"`
	Pieces    []TakenView    `json:"pieces" doc:"In the order of the words"`
	Questions []OpenQuestion `json:"questions"`
	Composed  string         `json:"composed,omitempty" doc:"Where the text is empty and another language of the step has a common sentence: the same in this one"`
}

// TakenView is something taken from the words.
type TakenView struct {
	Kind  string `json:"kind" enum:"act,amount,thing,vessel,wait,hands,times,limit,reading,seen,lane,who,evidence,keep"`
	From  int    `json:"from" doc:"Code points of the text"`
	To    int    `json:"to"`
	Words string `json:"words"`
	Gloss string `json:"gloss" doc:"What the words are, in one or two words"`
	Value string `json:"value,omitempty" doc:"What was understood, where the words do not say it as it is"`
	Lane  string `json:"lane,omitempty" doc:"Id of the condition"`
	Need  string `json:"need,omitempty" doc:"Id of the need"`
	At    int    `json:"at,omitempty" doc:"Of an amount or a time: where its value begins, in code points"`
	Place string `json:"place,omitempty" doc:"Where the design has it, as a JSON Pointer"`
	Given bool   `json:"given" doc:"The design has it so; otherwise it was put differently by hand"`
}

// OpenQuestion is something that the words leave open.
type OpenQuestion struct {
	From    int                `json:"from"`
	To      int                `json:"to"`
	Words   string             `json:"words"`
	Answers []OpenAnswer       `json:"answers"`
	Field   *sentence.Revision `json:"field,omitempty" doc:"What a typed answer does"`
}

// OpenAnswer is one way to answer.
type OpenAnswer struct {
	Words  string            `json:"words"`
	Change sentence.Revision `json:"change"`
}

// ReadSentence reads the text that a step of a document has in a language.
func ReadSentence(raw []byte, step, written, language string) (SentenceView, error) {
	v := SentenceView{Pieces: []TakenView{}, Questions: []OpenQuestion{}}
	d, s, err := stepOf(raw, step)
	if err != nil {
		return v, err
	}
	words := s.Text[written]
	at, _ := d.Step(step)
	book := sentence.Open(d)
	pieces := book.Pieces(at, written)
	for k, p := range pieces {
		view := TakenView{
			Kind: string(p.Kind), From: p.From, To: p.To, Words: p.Words, Need: p.Need,
			At: max(p.At, p.From), Place: sentence.Place(d, step, written, pieces, k),
			Gloss: text.Render(text.M("sentence.gloss."+string(p.Kind)), language),
			Given: sentence.Stands(d, step, written, pieces, k),
		}
		if p.Kind == sentence.Lane {
			view.Lane = p.ID
		}
		view.Value = text.Render(p.Understood(d), language)
		v.Pieces = append(v.Pieces, view)
	}
	for _, q := range book.Ask(at, written) {
		view := OpenQuestion{From: q.From, To: q.To, Words: text.Render(q.Words, language), Answers: []OpenAnswer{},
			Field: q.Field}
		for _, a := range q.Answers {
			view.Answers = append(view.Answers, OpenAnswer{text.Render(a.Words, language), a.Change})
		}
		v.Questions = append(v.Questions, view)
	}
	if strings.TrimSpace(words) == "" {
		for _, other := range d.Languages {
			if composed, ok := sentence.Compose(d, step, other, written); ok {
				v.Composed = composed
				break
			}
		}
	}
	return v, nil
}

// TakeLanes puts the conditions that a line names into a document.
func TakeLanes(raw []byte, line, written, language string) (Mended, error) {
	d, err := design.Read(raw)
	if err != nil {
		return Mended{}, refusal.Field("document", refusal.Rule("unreadable", "problem", err.Error()), `{"schema": 3}`)
	}
	sentence.TakeLanes(&d, line, written)
	out, err := json.Marshal(d)
	return Mended{out, Review(out, language)}, err
}

// NotedView is a document with what a line or a peg added.
type NotedView struct {
	Mended
	Words string `json:"words" doc:"What it adds, as one sentence"`
	Step  string `json:"step" doc:"Id of the step that it is, or that it hangs on"`
	At    string `json:"at" doc:"Where it is worked out further: a JSON Pointer, or the id of the step"`
}

// TakeNote puts one line behind a step of a document, or at its beginning where no step is
// named; or hangs a peg on the step.
func TakeNote(raw []byte, behind string, peg sentence.Peg, line, written, language string) (NotedView, error) {
	d, err := design.Read(raw)
	if err != nil {
		return NotedView{}, refusal.Field("document", refusal.Rule("unreadable", "problem", err.Error()), `{"schema": 3}`)
	}
	at := -1
	if behind != "" {
		var ok bool
		if at, ok = d.Step(behind); !ok {
			return NotedView{}, refusal.ErrNotFound
		}
	}
	v := NotedView{Step: behind}
	if peg == "" {
		n, ok := sentence.Note(&d, at, line, written)
		if !ok {
			return v, refusal.Field("line", refusal.Rule("there"), "wait 14 h")
		}
		v.Words, v.Step, v.At = text.Render(n.Words, language), n.Step, n.At
	} else {
		var ok bool
		if v.At, ok = sentence.Hang(&d, behind, peg, line, written); !ok {
			return v, refusal.ErrNotFound
		}
		v.Words = text.Render(sentence.Hung(&d, at, peg), language)
	}
	out, err := json.Marshal(d)
	v.Mended = Mended{out, Review(out, language)}
	return v, err
}

// stepOf reads a document and finds a step of it.
func stepOf(raw []byte, step string) (*design.Document, *design.Step, error) {
	d, err := design.Read(raw)
	if err != nil {
		return nil, nil, refusal.Field("document", refusal.Rule("unreadable", "problem", err.Error()), `{"schema": 3}`)
	}
	i, ok := d.Step(step)
	if !ok {
		return nil, nil, refusal.ErrNotFound
	}
	return &d, &d.Steps[i], nil
}

// TakeSentence carries what a step's text says over into its document, or an answer to a
// question about it. was is the text as it was taken before.
func TakeSentence(
	raw []byte, step, written, was string, answer *sentence.Revision, typed, language string,
) (Mended, error) {
	d, _, err := stepOf(raw, step)
	if err != nil {
		return Mended{}, err
	}
	if answer == nil {
		sentence.Take(d, step, was, written)
	} else if !sentence.Carry(d, step, written, *answer, typed) {
		code := "way-gone"
		switch answer.Kind {
		case sentence.Join:
			code = "not-joined"
		case sentence.Split:
			code = "not-split"
		}
		return Mended{}, &refusal.Refused{Code: code}
	}
	out, err := json.Marshal(d)
	return Mended{out, Review(out, language)}, err
}
