// Package export writes what a class measured as files that people's own programs
// read: a table of readings as CSV in the dialect they choose, a workbook for
// spreadsheets, and JSON with a published schema.
//
// It must not know where the readings come from, nor who may have them. Start
// reading at [Class].
package export
