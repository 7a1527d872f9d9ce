// Package text is the house of languages: how each writes numbers, lists and
// plurals, what it is called, and how it is written in a country
// (languages/<code>.json); nothing outside names one. It turns message ids with
// typed arguments into sentences, from data files per language that each core
// package brings along (core/<package>/texts/en.json, es.json).
//
// A [Message] is what core packages return instead of words. Its arguments
// are numbers, quantities, lists, other messages or texts of the experiment;
// they are written in the reader's language only when [Render] is called.
//
// The package must not know what any message is about, nor any quantity. Start
// reading at [Message] and [Language].
package text
