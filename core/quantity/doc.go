// Package quantity holds values with a unit and a standard uncertainty, the
// kitchen's measures among them, and reads what people type.
//
// There are two layers of reading. [Parse] is strict and knows no place: a
// bare "cup" is the US cup, an unclear comma is an error. [ParseTyped] reads
// what a family types into one particular field, in the family's language and
// measures, and answers with a value, a question or "not recorded"; it never
// throws a typed text away.
//
// The package knows units and numbers. It must not know materials (a spoon of
// salt has no mass here), messages in any language (problems are codes with
// arguments; package text words them) or what a value is measured for.
//
// Start reading at [Unit] and [Quantity], then [Parse].
package quantity
