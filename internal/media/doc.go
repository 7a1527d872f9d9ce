// Package media takes in photos, clips and sounds. Of a photo it looks at the header
// first, decodes within limits, turns the picture upright, scales it to two sizes and
// writes fresh JPEG files, so that nothing of the upload but its pixels is kept: no
// place, no time, no maker. Clips and sounds are written anew by ffmpeg, where there is
// one.
//
// It must not know whose picture it is. Start reading at [Desk.Take] and [Recorder.Take].
package media
