// Package formula reads and works out expressions over quantities, such as
// (after - before) / before * 100 or slope(height, sqrt(time)), with checked
// dimensions and a first-order standard uncertainty.
//
// The language is chapter 32 of the design's models with the series functions
// added. It has its own small parser; an expression is never handed to the
// host language. Every error carries its place in the expression.
//
// The package must not know what a symbol stands for. Start reading at [Parse]
// and [Expr.Eval].
package formula
