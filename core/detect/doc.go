// Package detect says, while an experiment is being designed, whether the effect it looks
// for would be seen: by one home with its tools and tries, and by a class, by the test
// that the class's result will be held to. It works by formulas, at once; package
// rehearsal plays whole classes.
//
// It must not know what anybody measured. Start reading at [Of].
package detect
