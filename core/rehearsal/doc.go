// Package rehearsal plays an experiment with a class before anybody does it: many classes
// of made-up homes with the kitchens, tools and plans of this one, each tested as the real
// one will be. It says in how many of them the effect would be seen.
//
// It must not know what a class really measured: that is package compare.
package rehearsal

import (
	"embed"

	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }
