// Package schedule works out when the steps of an experiment happen: how long
// hands are busy, how long one waits, and when each step starts.
//
// It must not know the time of day of any home. Start reading at [Plan].
package schedule
