// Package postgres runs a private PostgreSQL server on the loopback address,
// for the demo and for the tests. It listens on a free port, takes passwords
// only, and as root runs under the account postgres, since PostgreSQL refuses
// to run as root.
//
// It must not know what the database holds. Start reading at [Start].
package postgres
