// Package stats summarises values and compares them: means with weights,
// robust centres and spreads, outliers, paired differences.
//
// Functions take plain numbers of one unit; each says in its comment the
// conditions under which its result means something. Distributions come from
// gonum. The package must not know homes, readings or units.
//
// Start reading at [Summarise].
package stats
