// Package outbox will carry messages to families: a row in the use case's
// transaction, and behind a seam a stand-in that writes mail to a folder,
// where a school's own mail goes.
//
// It must not decide who is written to. Until it is there, teachers hand out
// links and codes themselves.
package outbox
