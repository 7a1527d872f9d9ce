package design

import (
	"slices"

	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
)

// mostStrays is how many of them are named.
const mostStrays = 20

// Strays names the keys of a document that nothing reads, or that stand there
// twice: somebody meant something by them.
func Strays(raw []byte) []Problem {
	v := &validator{}
	unread := slices.DeleteFunc(
		strict.Find(Lift(raw), Document{}, mostStrays),
		func(s strict.Stray) bool { return s.Twice },
	)
	for _, s := range append(strict.Find(raw, nil, mostStrays), unread...) { // lifting keeps one of two
		code := "stray"
		if s.Twice {
			code = "stray-twice"
		}
		v.say(Warning, code, s.Path, text.Args{"path": s.Path})
	}
	return v.out
}
