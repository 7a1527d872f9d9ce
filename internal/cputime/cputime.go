// Package cputime measures what a computation takes, for tests that hold a time: the
// processor time of this process, so that what runs beside it on a busy machine does not
// count.
//
// It must not be used outside tests. Start reading at [Of].
package cputime

import (
	"syscall"
	"time"
)

// Of is the processor time that f takes, in all threads together, collecting garbage
// meanwhile included. Nothing else may run in the process.
func Of(f func()) time.Duration {
	before := used()
	f()
	return used() - before
}

// used is the time the process has had so far.
func used() time.Duration {
	var u syscall.Rusage
	if err := syscall.Getrusage(syscall.RUSAGE_SELF, &u); err != nil {
		panic(err) // there is no other reason than a wrong argument
	}
	return time.Duration(u.Utime.Nano() + u.Stime.Nano())
}
