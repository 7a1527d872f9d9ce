// Package live carries events of the database to browsers: one connection
// that LISTENs per process, and server-sent events to whoever may see a class.
//
// Events say only that something changed; clients fetch it anew. The package
// must not know what the things are. Start reading at [Hub].
package live
