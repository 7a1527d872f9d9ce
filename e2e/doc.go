// Package e2e drives the real program in a real browser as people do: whole
// tasks, a phone-sized window, no connection, a killed server.
//
// It must know pages by their words, as people do, not by their code. It is
// run by ./test, which builds the program first.
package e2e
