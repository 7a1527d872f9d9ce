// Package science will hold the models of the job, one file each, in one
// registry: inputs, outputs, assumptions, source and the computation itself.
//
// It must not know experiments or homes.
package science
