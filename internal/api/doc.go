// Package api is the HTTP face: routes on chi, request and response types
// described once for the OpenAPI file, problem documents, sessions, and the
// pages of the built interface. Handlers are thin: decode, call app, encode.
//
// It must hold no rule of the job and no SQL. Start reading at [Server].
package api
