package design

import "strings"

// Printables are the sheets that can be printed at true size, in the order in which they
// are offered: tools, then what is cut out, then what is written on.
var Printables = strings.Split(
	"ruler,tape,protractor,wedge,grid,circles,jar-scale,spinner,sundial,chamber,colours,tally,chart", ",")
