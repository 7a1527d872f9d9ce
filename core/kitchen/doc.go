// Package kitchen will describe what one home has: materials, tools with their
// resolution, allergies, and when an adult is there.
//
// It must not choose anything for a home: that is package fit.
package kitchen
