// Package kitchen describes what a home says of itself: who lives there, what
// is avoided, and when an adult is there.
//
// It must not choose anything for a home: that is package fit.
package kitchen
