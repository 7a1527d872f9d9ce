// Package compare puts the homes of a class beside each other: each home's
// derived values with their uncertainty, the class's centre and spread by
// condition, what stands apart, and the finding in words.
//
// The unit of statistics is the home. Shared and practice readings are never
// counted. The package must not know who a home is: it sees keys and names.
// Start reading at [Class].
package compare
