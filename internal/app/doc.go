// Package app holds the use cases, one file each. It alone opens transactions
// and decides who may do what; it calls core for every rule of the job and
// store for every row, and sends live events in the transaction that writes.
//
// Every function takes an actor: a [TeacherActor] or a [HomeActor]. A thing that
// is not the actor's is answered like one that does not exist. The package
// must not know HTTP. Start reading at [App].
package app
