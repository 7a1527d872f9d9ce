// Package design is the experiment document: what is asked, changed, measured
// and kept, the needs, the steps, the readings and what is worked out of
// them. It is an open file with a published schema (docs/experiment.schema.json).
//
// A document is read with [Read], which lifts older schemas to the present
// one, and judged with [Validate], which explains itself with places in the
// document. An invalid document is still a document: drafts are kept.
//
// The package must not know what is dangerous (package safety), what a home
// has (package kitchen) or what was measured (package notebook). Start
// reading at [Document].
package design
