// Package docs carries the published example experiments, so that the demo,
// the library and the tests use the very files a reader finds.
//
// It must not hold anything but embedded documents.
package docs

import "embed"

// Examples holds examples/*.json; those named broken-* are invalid on purpose.
//
//go:embed examples/*.json
var Examples embed.FS

// Ready are the whole experiments among them, in the order in which they are offered.
var Ready = []string{
	"paper-strips",
	"warm-wraps",
	"sour-lemon",
	"thirsty-beans",
	"falling-spinners",
	"vanishing-sugar",
	"ringing-glasses",
	"bag-ties",
	"snail-supper",
	"clearer-water",
	"three-shadows",
}

// Example is the document of an experiment of this name, as JSON.
func Example(name string) ([]byte, error) { return Examples.ReadFile("examples/" + name + ".json") }
