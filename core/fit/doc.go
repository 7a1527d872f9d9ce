// Package fit will make a home plan for each kitchen: substitutes, converted
// amounts, what to send, with few distinct variants over the class.
//
// It must never choose anything that package safety bars.
package fit
