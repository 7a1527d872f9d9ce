// Package store keeps everything in PostgreSQL through pgx: explicit SQL, one
// file per kind of thing. It holds no rules of the job.
//
// Every query of a class's rows takes the class's id first, so that none can
// reach over into another class; finding a home by its link is the one named
// exception. Who may ask is decided in package app, which also opens the
// transactions. Start reading at [Store].
package store
