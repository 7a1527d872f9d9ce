package refusal

import (
	"errors"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/words"
)

// ErrNotFound is for things that are not there or not the actor's.
var ErrNotFound = errors.New("there is no such thing here")

// Invalid says what is wrong with a request: the field, the rule it breaks,
// and an example that would do.
type Invalid struct {
	Field   string
	Rule    text.Message
	Example string
}

func (e *Invalid) Error() string {
	return words.Sentence(e.Field, e.Rule, e.Example, text.Languages[0])
}

// Field is a field of a request that breaks a rule, with an example that would do.
func Field(field string, rule text.Message, example string) *Invalid {
	return &Invalid{Field: field, Rule: rule, Example: example}
}

// Rule is a rule for a field, by its code, with its arguments in pairs.
func Rule(code string, args ...any) text.Message {
	return text.M("rule."+code, args...)
}

// Refused says why something cannot be done now. Code is stable; Words are a
// sentence, the code's own where they are left out; Current is the present state
// where a document was changed meanwhile.
type Refused struct {
	Code    string
	Words   text.Message
	Current any
}

func (e *Refused) Error() string { return text.Render(e.Said(), text.Languages[0]) }

// Said is the refusal as a sentence.
func (e *Refused) Said() text.Message {
	if e.Words.ID == "" {
		return Why(e.Code)
	}
	return e.Words
}

// Why is why something is refused, by its code, with its arguments in pairs.
func Why(code string, args ...any) text.Message {
	return text.M("refused."+code, args...)
}
