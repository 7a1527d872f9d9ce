// Package lexicon reads what a teacher wrote. It finds concepts, such as a
// flame, in English and Spanish sentences, by words, phrases and negation, and
// says how sure it is. It never judges: what a concept leads to, and whether it
// is settled, is for package safety. What it finds only ever raises.
//
// The list of words is data (data/records.lex): a concept, what it leads to,
// and patterns that are almost sure (!), that ask (?) and decoys (-) for each
// language. The package must not know designs, verdicts or the larder; names of
// known things come in as [Names]. Start reading at [Read].
package lexicon
