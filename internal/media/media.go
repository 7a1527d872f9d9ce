package media

import (
	"bytes"
	"context"
	"errors"
	"image"
	"image/jpeg"
	_ "image/png" // read as well as JPEG
	"io"
	"slices"
	"time"

	"golang.org/x/image/draw"
	_ "golang.org/x/image/webp" // read as well as JPEG
	"golang.org/x/sync/semaphore"
)

// Limits on what is taken in.
const (
	MaxBytes     = 20 << 20 // of an upload
	maxPixels    = 50e6
	budget       = 256 << 20 // bytes that all pictures being decoded take together
	maxScans     = 40        // of a progressive JPEG; cameras write about ten
	maxWork      = 600e6     // pixels times scans
	maxTime      = 20 * time.Second
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
	Film        Reason = "film"
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

// Desk works on a few pictures at once, within one budget of memory, and lets
// others wait.
type Desk struct {
	places *semaphore.Weighted
	memory *semaphore.Weighted
}

// NewDesk makes a desk for n pictures at once.
func NewDesk(n int) *Desk {
	return &Desk{semaphore.NewWeighted(int64(n)), semaphore.NewWeighted(budget)}
}

// Take decodes an upload and makes both sizes of it. Its error is *Refused,
// ErrBusy after ten seconds of waiting, or the context's.
func (d *Desk) Take(ctx context.Context, upload []byte) (Picture, error) {
	needs, err := look(upload)
	if err != nil {
		return Picture{}, err
	}
	wait, cancel := context.WithTimeout(ctx, waitForADesk)
	defer cancel()
	for _, s := range []struct {
		of *semaphore.Weighted
		n  int64
	}{{d.places, 1}, {d.memory, needs}} {
		if s.of.Acquire(wait, s.n) != nil {
			if ctx.Err() != nil {
				return Picture{}, ctx.Err()
			}
			return Picture{}, ErrBusy
		}
		defer s.of.Release(s.n)
	}
	work, stop := context.WithTimeout(ctx, maxTime)
	defer stop()
	img, format, err := image.Decode(&stoppable{work, bytes.NewReader(upload)})
	switch {
	case ctx.Err() != nil:
		return Picture{}, ctx.Err()
	case work.Err() != nil:
		return Picture{}, &Refused{TooLarge}
	case err != nil:
		return Picture{}, &Refused{Broken}
	}
	display := upright(fit(img, displaySide), orientation(format, upload))
	small := fit(display, thumbSide)
	p := Picture{Width: display.Bounds().Dx(), Height: display.Bounds().Dy()}
	if p.Display, err = encode(display, displayJPEG); err != nil {
		return Picture{}, err
	}
	p.Thumbnail, err = encode(small, thumbJPEG)
	return p, err
}

// stoppable is a reader that ends with its context, so that decoding stops when
// the caller leaves or its time is over.
type stoppable struct {
	ctx context.Context
	r   io.Reader
}

func (s *stoppable) Read(b []byte) (int, error) {
	if err := s.ctx.Err(); err != nil {
		return 0, err
	}
	return s.r.Read(b[:min(len(b), 4096)])
}

// stills are the brands of still pictures in the film container.
var stills = []string{"heic", "heix", "hevc", "heim", "heis", "mif1", "msf1", "avif"}

// look judges the headers alone, before anything is decoded, and says how much
// memory decoding takes.
func look(upload []byte) (needs int64, err error) {
	if len(upload) > MaxBytes {
		return 0, &Refused{TooLarge}
	}
	if len(upload) > 12 && string(upload[4:8]) == "ftyp" {
		if slices.Contains(stills, string(upload[8:12])) {
			return 0, &Refused{HEIC}
		}
		return 0, &Refused{Film}
	}
	if bytes.HasPrefix(upload, []byte("\x1aE\xdf\xa3")) ||
		len(upload) > 12 && string(upload[:4]) == "RIFF" && string(upload[8:12]) == "AVI " {
		return 0, &Refused{Film}
	}
	if bytes.HasPrefix(upload, []byte("GIF8")) || isAnimatedWebP(upload) || isAnimatedPNG(upload) {
		return 0, &Refused{Animated}
	}
	cfg, format, err := image.DecodeConfig(bytes.NewReader(upload))
	if err != nil {
		return 0, &Refused{NotAPicture}
	}
	pixels := float64(cfg.Width) * float64(cfg.Height)
	each := 8.0 // bytes a pixel: 16 bits a channel
	if format == "jpeg" {
		each = 3
		progressive, scans := scansOf(upload)
		if progressive {
			each += 12 // the coefficients of three channels, 32 bits each
		}
		if scans > maxScans || pixels*float64(scans) > maxWork {
			return 0, &Refused{TooLarge}
		}
	}
	if cfg.Width < 1 || cfg.Height < 1 || pixels > maxPixels || pixels*each > budget {
		return 0, &Refused{TooLarge}
	}
	return int64(pixels * each), nil
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
