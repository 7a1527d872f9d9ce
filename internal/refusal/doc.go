// Package refusal holds why something is refused: as a code with its arguments, and as
// the sentence that a reader gets. Whoever may refuse something, pure or not, says it
// with these.
//
// It must not know requests, statuses or the store. Start reading at [Refused].
package refusal
