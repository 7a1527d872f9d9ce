package larder

import (
	_ "embed"
	"encoding/json"

	"patient-kitchen/core/text"
)

//go:embed data/naming.json
var namingFile []byte

// naming is how a language builds the names of things.
type naming struct {
	Joining   []string          // words that a search leaves out
	Qualities []string          // folded words that say how a thing is and name none by themselves
	HeadFirst bool              `json:"head_first"` // the word that says what it is comes first
	Plurals   string            // which rules make one of many: english or spanish
	Irregular map[string]string // many: one
}

var namings = func() map[string]naming {
	out := map[string]naming{}
	if err := json.Unmarshal(namingFile, &out); err != nil {
		panic("larder: naming.json: " + err.Error()) // it ships with the program
	}
	return out
}()

func namingOf(lang string) naming { return namings[text.Of(lang).Code] }
