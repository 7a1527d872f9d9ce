// Package review puts what a design means now into one ordered list, the
// margin: safety, would it show, time, kitchens, fair. Each line is one
// sentence with a place and a mend.
//
// It judges nothing itself; it asks the packages that do and puts their
// answers in order. Start reading at [Margin].
package review
