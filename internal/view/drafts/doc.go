// Package drafts says what a design means while it is written: its findings, its safety,
// its time, its formulas and the mends that can be carried out, in the reader's language.
// A draft may be anything that can be read at all; judging it never takes a page down.
//
// It must not know the store or who asks. Start reading at [Review].
package drafts
