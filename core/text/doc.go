// Package text turns message ids with typed arguments into sentences, from
// data files per language that each core package brings along
// (core/<package>/texts/en.json, es.json).
//
// A [Message] is what core packages return instead of words. Its arguments
// are numbers, quantities, lists, other messages or texts of the experiment;
// they are written in the reader's language only when [Render] is called.
//
// The package must not know what any message is about. Start reading at
// [Message].
package text
