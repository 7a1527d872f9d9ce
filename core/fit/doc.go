// Package fit makes the experiment of each kitchen: what a home uses for every need, in
// which amount, what has to be sent, which readings it can take, with the fewest
// versions over the class. Beside that it writes the lists of a whole experiment.
//
// It must never choose anything that package safety bars. Start reading at [SuppliesOf] and
// [Supplies.Fit]; the choice of the fewest versions is in variants.go.
package fit
