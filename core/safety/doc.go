// Package safety turns a design, and a home it goes to, into findings: what
// could hurt whom, what to do about it, and what must not be done at home. It
// is the one book of safety (rules.json): every hazard tag and refused thing
// of the larder resolves to its rules. It never says "safe": every sheet
// defers to product labels, the school's own risk assessment and local law.
//
// It errs on the strict side. What is not said is judged as the worst it
// could be, after one question; the higher of two verdicts holds; nothing
// that is added ever lowers one.
//
// The package must not know homes by name, the clock or a language: texts are
// message ids with arguments. Start reading at [Judge].
package safety
