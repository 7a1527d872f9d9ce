// Package sheets writes an experiment as those get it who do it: the sheet on the phone
// and the sheets on paper, in one language, with what is safe, what may stand in for
// what, and a class's own measures beside the metric ones. A sheet is written of the
// design alone; use cases add whose it is, until when, and what was entered.
//
// It must not know the store, classes or who asks. Start reading at [Write].
package sheets
