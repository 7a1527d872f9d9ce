package larder

import (
	_ "embed"
	"encoding/json"
	"strings"

	"patient-kitchen/core/text"
)

// Getting is how one comes by a thing that is not at home, and how many days to allow for
// it: the next shopping, a shop of its own, an order. The days are the school's usual
// planning, not a promise of any shop.
type Getting struct {
	Where string // found, supermarket, pharmacy, stationer, hardware or ordered; "" is not known
	Days  int
}

//go:embed data/getting.json
var gettingFile []byte

// Says is the way in words; "" where none is known.
func (g Getting) Says(language string) string {
	if g.Where == "" {
		return ""
	}
	return text.Render(text.M("larder.get."+g.Where), language)
}

// gettings are the ways of getting things by their usual place.
var gettings = func() map[string]Getting {
	var file []struct {
		Where  string
		Days   int
		Places []string
	}
	if err := json.Unmarshal(gettingFile, &file); err != nil {
		panic(err) // it ships with the program
	}
	out := map[string]Getting{}
	for _, w := range file {
		for _, place := range w.Places {
			out[place] = Getting{w.Where, w.Days}
		}
	}
	return out
}()

// Getting is how one comes by it: what costs nothing is found or asked for, anything else
// is bought where things of its usual place are; of several places the quickest.
func (m *Material) Getting() Getting {
	var best Getting
	for place := range strings.SplitSeq(m.UsualPlace, ", ") {
		if g, ok := gettings[place]; ok && (best.Where == "" || g.Days < best.Days) {
			best = g
		}
	}
	if m.Cost == "free" && best.Where != "" {
		return Getting{"found", 1}
	}
	return best
}
