package media

import (
	"bytes"
	"context"
	"errors"
	"image"
	"image/jpeg"
	_ "image/png" // read as well as JPEG
	"time"

	"golang.org/x/image/draw"
	_ "golang.org/x/image/webp" // read as well as JPEG
)

// Limits on what is taken in.
const (
	MaxBytes     = 20 << 20 // of an upload
	maxPixels    = 50e6
	maxDecoded   = 256 << 20 // bytes of a decoded picture
	displaySide  = 2048
	thumbSide    = 320
	displayJPEG  = 84
	thumbJPEG    = 78
	waitForADesk = 10 * time.Second
)

// Reason says why a picture was not taken; each is worded for the family.
type Reason string

// The reasons.
const (
	NotAPicture Reason = "not-a-picture"
	HEIC        Reason = "heic"
	Animated    Reason = "animated"
	TooLarge    Reason = "too-large"
	Broken      Reason = "broken"
)

// Refused is the error of a picture that cannot be taken.
type Refused struct{ Reason Reason }

func (r *Refused) Error() string { return "picture refused: " + string(r.Reason) }

// ErrBusy says that too many pictures are being worked on; try again later.
var ErrBusy = errors.New("too many pictures at once")

// Picture is a photo made ready: JPEG files without any metadata.
type Picture struct {
	Display, Thumbnail []byte
	Width, Height      int // of Display, in pixels
}

// Desk works on a few pictures at once and lets others wait.
type Desk struct{ places chan struct{} }

// NewDesk makes a desk for n pictures at once.
func NewDesk(n int) *Desk { return &Desk{make(chan struct{}, n)} }

// Take decodes an upload and makes both sizes of it. Its error is *Refused,
// ErrBusy after ten seconds of waiting, or the context's.
func (d *Desk) Take(ctx context.Context, upload []byte) (Picture, error) {
	if err := look(upload); err != nil {
		return Picture{}, err
	}
	timer := time.NewTimer(waitForADesk)
	defer timer.Stop()
	select {
	case d.places <- struct{}{}:
		defer func() { <-d.places }()
	case <-timer.C:
		return Picture{}, ErrBusy
	case <-ctx.Done():
		return Picture{}, ctx.Err()
	}
	img, format, err := image.Decode(bytes.NewReader(upload))
	if err != nil {
		return Picture{}, &Refused{Broken}
	}
	turn := 1
	if format == "jpeg" {
		turn = orientation(upload)
	}
	display := upright(fit(img, displaySide), turn)
	small := fit(display, thumbSide)
	p := Picture{Width: display.Bounds().Dx(), Height: display.Bounds().Dy()}
	if p.Display, err = encode(display, displayJPEG); err != nil {
		return Picture{}, err
	}
	p.Thumbnail, err = encode(small, thumbJPEG)
	return p, err
}

// look judges the header alone, before anything is decoded.
func look(upload []byte) error {
	if len(upload) > MaxBytes {
		return &Refused{TooLarge}
	}
	if len(upload) > 12 && string(upload[4:8]) == "ftyp" {
		return &Refused{HEIC}
	}
	if bytes.HasPrefix(upload, []byte("GIF8")) || isAnimatedWebP(upload) || isAnimatedPNG(upload) {
		return &Refused{Animated}
	}
	cfg, _, err := image.DecodeConfig(bytes.NewReader(upload))
	if err != nil {
		return &Refused{NotAPicture}
	}
	pixels := float64(cfg.Width) * float64(cfg.Height)
	if cfg.Width < 1 || cfg.Height < 1 || pixels > maxPixels || pixels*4 > maxDecoded {
		return &Refused{TooLarge}
	}
	return nil
}

func isAnimatedWebP(b []byte) bool {
	return len(b) > 21 && string(b[:4]) == "RIFF" && string(b[8:16]) == "WEBPVP8X" && b[20]&2 != 0
}

func isAnimatedPNG(b []byte) bool {
	head := b[:min(len(b), 4096)]
	return bytes.HasPrefix(b, []byte("\x89PNG")) && bytes.Contains(head, []byte("acTL"))
}

// fit scales a picture down so that its longer side is at most side.
func fit(img image.Image, side int) *image.RGBA {
	b := img.Bounds()
	w, h := b.Dx(), b.Dy()
	if long := max(w, h); long > side {
		w, h = max(1, w*side/long), max(1, h*side/long)
	}
	out := image.NewRGBA(image.Rect(0, 0, w, h))
	draw.Draw(out, out.Bounds(), image.White, image.Point{}, draw.Src) // see-through parts become white
	draw.ApproxBiLinear.Scale(out, out.Bounds(), img, b, draw.Over, nil)
	return out
}

// upright undoes an EXIF orientation, 1 to 8.
func upright(in *image.RGBA, turn int) *image.RGBA {
	if turn < 2 || turn > 8 {
		return in
	}
	w, h := in.Bounds().Dx(), in.Bounds().Dy()
	ow, oh := w, h
	if turn >= 5 {
		ow, oh = h, w
	}
	out := image.NewRGBA(image.Rect(0, 0, ow, oh))
	for y := range oh {
		for x := range ow {
			var sx, sy int
			switch turn {
			case 2:
				sx, sy = w-1-x, y
			case 3:
				sx, sy = w-1-x, h-1-y
			case 4:
				sx, sy = x, h-1-y
			case 5:
				sx, sy = y, x
			case 6:
				sx, sy = y, h-1-x
			case 7:
				sx, sy = w-1-y, h-1-x
			case 8:
				sx, sy = w-1-y, x
			}
			copy(out.Pix[out.PixOffset(x, y):][:4], in.Pix[in.PixOffset(sx, sy):][:4])
		}
	}
	return out
}

func encode(img image.Image, quality int) ([]byte, error) {
	var b bytes.Buffer
	err := jpeg.Encode(&b, img, &jpeg.Options{Quality: quality})
	return b.Bytes(), err
}
