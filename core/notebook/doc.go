// Package notebook is what a home wrote: append-only entries, read into the
// slots of the design, checked as they come in, and worked out into derived
// values with their uncertainty.
//
// Nothing is overwritten: a correction supersedes, a spoiled trial stays, and
// missing is a value of its own with a reason. Checks repeat what was typed;
// their limits are physical and never hint at what is expected.
//
// The package must not know other homes (package compare) or where entries
// are kept. Start reading at [Entry], [Understand] and [Open].
package notebook
