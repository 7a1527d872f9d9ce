// Package signal gets values out of sounds and photos: the pitch of a struck
// glass or a blown bottle ([ReadWAV], [Pitch]), a length beside a ruler
// ([Ruler.Measure]), an angle ([Angle]), and a colour against white
// ([SpotColour]) with the field of a reference strip that it is nearest to.
//
// It must not know what a value is used for, and keeps no sound or picture.
package signal
