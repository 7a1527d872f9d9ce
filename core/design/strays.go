package design

import (
	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
)

// mostStrays is how many of them are named.
const mostStrays = 20

// Strays names the keys of a document that nothing reads, or that stand there
// twice: somebody meant something by them.
func Strays(raw []byte) []Finding {
	v := &validator{}
	for _, s := range strict.Find(Lift(raw), Document{}, mostStrays) {
		code := "stray"
		if s.Twice {
			code = "stray-twice"
		}
		v.say(Warning, code, s.Path, text.Args{"path": s.Path})
	}
	return v.out
}
