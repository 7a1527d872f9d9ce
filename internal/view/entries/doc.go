// Package entries holds an entry as a phone sends it and as it is shown again, and what
// of an entry can be refused by its looks alone.
//
// It must not know the store, homes or permissions. Start reading at [Fields].
package entries
