// Package fit will make a home plan for each kitchen: substitutes, converted
// amounts, what to send, with few distinct variants over the class. What it
// has so far are the lists of a whole experiment: what is needed, and what may
// be used instead.
//
// It must never choose anything that package safety bars. Start reading at
// [Materials].
package fit
