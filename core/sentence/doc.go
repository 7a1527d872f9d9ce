// Package sentence reads a step as people write it ("pour 200 mL of warm water into
// the jar, wait 4 minutes, read the height every minute") and says what is in it: acts,
// amounts, things, vessels, waits, readings, each with its place in the text. The text
// itself is never changed, and what is not understood is left as it is.
//
// It also carries what was read over into a design, takes out again what a changed
// sentence does not say any more, asks where words have two meanings, and composes
// common sentences in another language. The words of each language are data
// (words/<language>.json); the names of things come from the larder and from the
// design's own shelf.
//
// A line of what happens next ([Note]) becomes a step or hangs something on one ([Hang]);
// steps are split and joined ([Carry]). The package knows nothing of screens, and nothing of
// where a design is kept. Safety is not judged here. Start reading at [Read], then [Take].
package sentence
