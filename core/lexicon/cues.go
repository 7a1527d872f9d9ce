package lexicon

import (
	"embed"
	"encoding/json"
	"strings"
)

//go:embed data/cues/*.json
var cueFiles embed.FS

// cues are the small words by which a language negates, says who acts and when.
// A cue is one or more words in a row.
type cues struct {
	Grammar  string   // how its words take their forms
	Reach    int      // how many words on a cue before a thing still reaches it
	Thing    []string // the thing is not there
	Act      []string // the act is not done
	After    []string // behind either
	LiftsCue []string `json:"lifts_cue"` // behind a cue: it is done after all
	LiftsAct []string `json:"lifts_act"` // behind the act: it is done after all
	Picture  []string // what follows is only drawn, made of paper or a toy
	Pictured []string // the same, behind the thing
	Using    words    // verbs of having and using: a thing that they deny is not there
	Small    words    // words that change nothing between a cue and its thing
	Or, And  words
	Clause   words    // they end a clause as a comma does
	Teachers []string // a sentence that begins so is about the teacher
	Students words
	Watching words // what students do while others act
	Faraway  []string
	If       words    // a sentence that begins so may be about a mishap
	Mishaps  []string //
	Later    []string // at school, another time
}

// words is a set of words, a list in the file.
type words map[string]bool

func (w *words) UnmarshalJSON(raw []byte) error {
	var list []string
	if err := json.Unmarshal(raw, &list); err != nil {
		return err
	}
	*w = words{}
	for _, x := range list {
		(*w)[x] = true
	}
	return nil
}

var cuesByLanguage = func() map[string]*cues {
	out := map[string]*cues{}
	files, _ := cueFiles.ReadDir("data/cues")
	for _, file := range files {
		raw, _ := cueFiles.ReadFile("data/cues/" + file.Name())
		c := &cues{}
		if err := json.Unmarshal(raw, c); err != nil {
			panic("lexicon: " + file.Name() + ": " + err.Error()) // it ships with the program
		}
		out[strings.TrimSuffix(file.Name(), ".json")] = c
	}
	return out
}()

var noCues = &cues{}

// cuesOf are a language's cues; one without any negates nothing.
func cuesOf(lang string) *cues {
	if c, ok := cuesByLanguage[lang]; ok {
		return c
	}
	return noCues
}
