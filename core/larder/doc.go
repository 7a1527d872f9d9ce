// Package larder knows household materials and tools: what each is, what it
// holds, what jobs it can do, what it can stand in for, with what amount and
// what effect on the result.
//
// The facts are data files (data/), with a quality beside every figure; the
// files are the truth and are checked by [Check], a school's own entries in
// the same way. What can be computed from a material's contents (acid, gas,
// particles, strength, density) is computed; only the rest is stated.
//
// The package must not decide what is safe: package safety is the only book
// of that. Start reading at [Larder.Candidates].
package larder
