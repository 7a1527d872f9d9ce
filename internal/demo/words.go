package demo

import (
	_ "embed"
	"encoding/json"
)

//go:embed words.json
var wordsFile []byte

// homesSaid is what the made-up homes say, and in which language where it is not
// the class's.
var homesSaid = func() (out struct {
	Homes map[string]string // nickname → language
	Said  map[string]struct{ Why, Claim []string }
}) {
	if err := json.Unmarshal(wordsFile, &out); err != nil {
		panic(err) // it ships with the program
	}
	return out
}()
