// Package signal will get values out of sounds and pictures: the pitch of a
// struck glass, lengths and angles marked on a photo, a colour against white.
//
// It must not know what a value is used for, and keeps no sound or picture.
package signal
