// Package science holds the models of the job, one file each, in one
// registry: what each takes, with units, defaults and limits, what it gives,
// and the computation itself. Formulas and constants are those of the
// design's model reference; each file names its chapter.
//
// A newcomer adds a model by adding a file that calls register in its init.
// The package must not know experiments or homes. Start reading at [Model],
// then at any model, such as pendulum.go.
package science
