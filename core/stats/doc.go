// Package stats summarises values and tests what they say: means with
// weights, robust centres and spreads, outliers, differences, counts in zones,
// straight lines, cooling, ranks, and how many homes are needed.
//
// Functions take plain numbers of one unit. A test returns a [Finding]: which
// test it was, the estimate with its 95 % interval, the verdict on a [Claim]
// (supported, not supported, cannot tell), which conditions of the test these
// numbers do not meet, and all of that in words. Distributions come from
// gonum. The package must not know homes or readings.
//
// Start reading at [Summarise] and [Result].
package stats
