// Package signal gets values out of sounds: the pitch of a struck glass or a
// blown bottle (ReadWAV, Pitch). Lengths and angles marked on a photo, and a
// colour against white, will come here too.
//
// It must not know what a value is used for, and keeps no sound or picture.
package signal
