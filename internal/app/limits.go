package app

import (
	"time"

	"patient-kitchen/internal/refusal"
)

// How many tries at a password or code are let through in a window.
const (
	passwordTries  = 10
	passwordWindow = 15 * time.Minute
	codeTries      = 5
	codeWindow     = time.Hour

	// From so many wrong passwords at one account on, whichever networks they
	// come from, each network has fewer tries at it.
	manyWrong                = 30
	passwordTriesUnderAttack = 3
)

// queue is how many sign-ins from browsers that nobody knows are worked on or
// wait at once; each costs a good part of a second of a processor.
var queue = make(chan struct{}, 12)

var errTooManyTries = &refusal.Refused{Code: "too-many-tries"}
