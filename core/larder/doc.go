// Package larder will know household materials and tools, what each can stand
// in for, and with what converted amount and effect, from embedded data files.
//
// It must not decide what is safe: package safety is the only book of that.
package larder
