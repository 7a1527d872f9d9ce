// Package safety turns a design into findings: what could hurt, whom, what to
// do, and what must not be done at home. It is the one book of safety; it
// never says "safe", and every sheet defers to product labels, the school's
// own risk assessment and local law.
//
// What it knows so far is the first part of that book: the actions of
// rules.json and the teacher's own statement of hazards. Until the rest is
// here it errs on the strict side: whatever is not on its list of everyday
// actions cannot be issued.
//
// The package must not know homes by name, and nobody may lower a rule by
// editing a design. Start reading at [Check].
package safety
