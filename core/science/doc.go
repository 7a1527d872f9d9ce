// Package science holds the models of the job, in files by subject and in one
// registry: what each takes, with units, defaults and limits, what it gives,
// and the computation itself. Formulas and constants are those of the
// design's model reference; each model carries the number of its chapter.
//
// A newcomer adds a model by adding a file that calls register in its init.
// A typed question is answered with everything that can be said about it
// ([Model.Ask]): give or take, where it comes from, a curve, the working, the
// other way round. Texts are in texts/, in both languages.
//
// The package must not know experiments or homes. Start reading at [Model],
// then at any model, such as those of motion.go.
package science
