// Package compare puts the homes of a class beside each other: each home's
// values with their own uncertainty, what the class may claim of them, and what
// that is in words. docs/statistics.md says which test is used when.
//
// The unit of statistics is the home: repeated looks and trials never raise n.
// Shared and practice readings are never counted. The package must not know who
// a home is: it sees keys and names. Start reading at [Class].
package compare
