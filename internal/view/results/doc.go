// Package results writes what homes entered and a class found: the cells of the grid, a
// home's notebook, comparisons and their sentences, and the rows of exports.
//
// It must not know the store or who asks; books are worked out by core/notebook and
// compared by core/compare. Start reading at [Results].
package results
