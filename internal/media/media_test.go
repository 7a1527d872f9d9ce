package media

import (
	"bytes"
	"context"
	"encoding/binary"
	"errors"
	"hash/crc32"
	"image"
	"image/color"
	"image/gif"
	"image/jpeg"
	"image/png"
	"testing"
)

// picture is red in its left half and blue in its right.
func picture(w, h int) *image.RGBA {
	img := image.NewRGBA(image.Rect(0, 0, w, h))
	for y := range h {
		for x := range w {
			c := color.RGBA{200, 0, 0, 255}
			if x >= w/2 {
				c = color.RGBA{0, 0, 200, 255}
			}
			img.Set(x, y, c)
		}
	}
	return img
}

func jpegOf(t testing.TB, img image.Image) []byte {
	var b bytes.Buffer
	if err := jpeg.Encode(&b, img, nil); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// withExif puts an orientation and a made-up place into a JPEG file.
func withExif(file []byte, turn uint16) []byte {
	tiff := []byte(
		"II*\x00\x08\x00\x00\x00\x01\x00\x12\x01\x03\x00\x01\x00\x00\x00\x00\x00\x00\x00\x00\x00\x00\x00GPS 54.9N 2.1W",
	)
	binary.LittleEndian.PutUint16(tiff[18:], turn)
	segment := append([]byte("Exif\x00\x00"), tiff...)
	out := append([]byte{0xFF, 0xD8, 0xFF, 0xE1, 0, 0}, segment...)
	binary.BigEndian.PutUint16(out[4:], uint16(len(segment)+2))
	return append(out, file[2:]...)
}

func TestTakeTurnsScalesAndStrips(t *testing.T) {
	upload := withExif(jpegOf(t, picture(3000, 1500)), 6) // lay on its side: turn a quarter clockwise
	p, err := NewDesk(2).Take(context.Background(), upload)
	if err != nil {
		t.Fatal(err)
	}
	if p.Width != 1024 || p.Height != 2048 {
		t.Errorf("display is %d × %d, want 1024 × 2048", p.Width, p.Height)
	}
	for name, file := range map[string][]byte{"display": p.Display, "thumbnail": p.Thumbnail} {
		if bytes.Contains(file, []byte("Exif")) || bytes.Contains(file, []byte("GPS")) {
			t.Errorf("%s carries metadata", name)
		}
		img, err := jpeg.Decode(bytes.NewReader(file))
		if err != nil {
			t.Fatal(err)
		}
		b := img.Bounds()
		r, _, _, _ := img.At(b.Dx()/2, b.Dy()/8).RGBA()
		_, _, blue, _ := img.At(b.Dx()/2, b.Dy()*7/8).RGBA()
		if r>>8 < 150 || blue>>8 < 150 {
			t.Errorf("%s is not upright: top red %d, bottom blue %d", name, r>>8, blue>>8)
		}
	}
}

func TestOrientations(t *testing.T) {
	img := image.NewRGBA(image.Rect(0, 0, 2, 1))
	img.Set(0, 0, color.White)
	// Where the white pixel of a 2 × 1 picture ends up, by the EXIF standard.
	for turn, want := range map[int]image.Point{1: {0, 0}, 2: {1, 0}, 3: {1, 0}, 4: {0, 0}, 5: {0, 0}, 6: {0, 0},
		7: {0, 1}, 8: {0, 1}} {
		out := upright(img, turn)
		if r, _, _, _ := out.At(want.X, want.Y).RGBA(); r == 0 {
			t.Errorf("orientation %d: the pixel is not at %v", turn, want)
		}
		if got := orientation("jpeg", withExif(jpegOf(t, img), uint16(turn))); got != turn {
			t.Errorf("orientation %d read as %d", turn, got)
		}
	}
}

// bomb is a tiny PNG file whose header says it is enormous.
func bomb() []byte {
	var b bytes.Buffer
	png.Encode(&b, picture(2, 2))
	file := b.Bytes()
	binary.BigEndian.PutUint32(file[16:], 60000)
	binary.BigEndian.PutUint32(file[20:], 60000)
	binary.BigEndian.PutUint32(file[29:], crc32.ChecksumIEEE(file[12:29]))
	return file
}

func TestRefused(t *testing.T) {
	whole := jpegOf(t, picture(400, 400))
	var anim bytes.Buffer
	pal := image.NewPaletted(image.Rect(0, 0, 2, 2), color.Palette{color.Black, color.White})
	gif.EncodeAll(&anim, &gif.GIF{Image: []*image.Paletted{pal, pal}, Delay: []int{1, 1}})
	for _, c := range []struct {
		name   string
		upload []byte
		want   Reason
	}{
		{"text", []byte("dear teacher, the dog ate it"), NotAPicture},
		{"nothing", nil, NotAPicture},
		{"a film's header", []byte("\x00\x00\x00\x18ftypheic\x00\x00\x00\x00mif1heic"), HEIC},
		{"animated", anim.Bytes(), Animated},
		{"a bomb", bomb(), TooLarge},
		{"too many bytes", make([]byte, MaxBytes+1), TooLarge},
		{"truncated", whole[:len(whole)/2], Broken},
	} {
		_, err := NewDesk(1).Take(context.Background(), c.upload)
		var r *Refused
		if !errors.As(err, &r) || r.Reason != c.want {
			t.Errorf("%s: %v, want %s", c.name, err, c.want)
		}
	}
}

func TestDeskLetsOthersWait(t *testing.T) {
	d := NewDesk(1)
	if err := d.places.Acquire(context.Background(), 1); err != nil {
		t.Fatal(err)
	}
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := d.Take(ctx, jpegOf(t, picture(8, 8))); !errors.Is(err, context.Canceled) {
		t.Errorf("a full desk and a caller who left: %v", err)
	}
}

func FuzzOrientation(f *testing.F) {
	f.Add(withExif(jpegOf(f, picture(2, 2)), 8))
	f.Fuzz(func(t *testing.T, b []byte) {
		if o := orientation([]string{"jpeg", "png", "webp"}[len(b)%3], b); o < 1 || o > 8 {
			t.Errorf("orientation %d", o)
		}
	})
}

// manyScans is a progressive JPEG whose header says a size, with so many scans
// that hold nothing.
func manyScans(w, h, scans int) []byte {
	b := []byte{0xFF, 0xD8, 0xFF, 0xC2, 0, 11, 8, byte(h >> 8), byte(h), byte(w >> 8), byte(w), 1, 1, 0x11, 0}
	for range scans {
		b = append(b, 0xFF, 0xDA, 0, 8, 1, 1, 0, 0, 63, 0, 0xFF, 0x00)
	}
	return append(b, 0xFF, 0xD9)
}

// A file that would keep the desk busy is refused by its headers alone.
func TestWorkIsBounded(t *testing.T) {
	refused := func(file []byte) Reason {
		_, err := look(file)
		var r *Refused
		if !errors.As(err, &r) {
			return ""
		}
		return r.Reason
	}
	for _, c := range []struct {
		name string
		file []byte
		want Reason
	}{
		{"250 empty scans", manyScans(1000, 1000, 250), TooLarge},
		{"41 scans", manyScans(100, 100, 41), TooLarge},
		{"40 scans", manyScans(100, 100, 40), ""},
		{"a large one over and over", manyScans(5000, 5000, 30), TooLarge},
		{"a progressive one of 24 megapixels", manyScans(6000, 4000, 10), TooLarge}, // 360 MB of coefficients
		{"a progressive one of 12 megapixels", manyScans(4000, 3000, 10), ""},
		{"a phone's still", []byte("\x00\x00\x00\x18ftypheic\x00\x00\x00\x00"), HEIC},
		{"a film", []byte("\x00\x00\x00\x18ftypmp42\x00\x00\x00\x00"), Film},
		{"a phone's film", []byte("\x00\x00\x00\x14ftypqt  \x00\x00\x00\x00"), Film},
		{"another film", []byte("\x1aE\xdf\xa3\x01\x00\x00\x00\x00\x00"), Film},
	} {
		if got := refused(c.file); got != c.want {
			t.Errorf("%s: %q, want %q", c.name, got, c.want)
		}
	}
	if n, scans := scansOf(jpegOf(t, picture(40, 20))); n || scans != 1 {
		t.Errorf("a camera's file: progressive %v, %d scans", n, scans)
	}
}

// Decoding ends when the caller leaves.
func TestDecodingStops(t *testing.T) {
	ctx, cancel := context.WithCancel(context.Background())
	cancel()
	if _, err := NewDesk(1).Take(ctx, jpegOf(t, picture(400, 300))); !errors.Is(err, context.Canceled) {
		t.Errorf("%v", err)
	}
	r := &stoppable{ctx, bytes.NewReader(make([]byte, 10))}
	if _, err := r.Read(make([]byte, 4)); !errors.Is(err, context.Canceled) {
		t.Errorf("%v", err)
	}
}

// Every format that is taken is turned upright.
func TestEveryFormatIsTurned(t *testing.T) {
	exif := []byte{'I', 'I', 42, 0, 8, 0, 0, 0, 1, 0, 0x12, 0x01, 3, 0, 1, 0, 0, 0, 6, 0, 0, 0, 0, 0, 0, 0}
	var b bytes.Buffer
	if err := png.Encode(&b, picture(40, 20)); err != nil {
		t.Fatal(err)
	}
	file := b.Bytes()
	chunk := binary.BigEndian.AppendUint32(nil, uint32(len(exif)))
	chunk = append(append(chunk, "eXIf"...), exif...)
	chunk = binary.BigEndian.AppendUint32(chunk, crc32.ChecksumIEEE(chunk[4:]))
	turned := append(append(append([]byte{}, file[:33]...), chunk...), file[33:]...) // after IHDR
	p, err := NewDesk(1).Take(context.Background(), turned)
	if err != nil || p.Width != 20 || p.Height != 40 {
		t.Errorf("a PNG: %d × %d, %v", p.Width, p.Height, err)
	}
	webp := append([]byte("RIFF\x00\x00\x00\x00WEBPVP8X\x0a\x00\x00\x00"), make([]byte, 10)...)
	webp = append(
		append(binary.LittleEndian.AppendUint32(append(webp, "EXIF"...), uint32(len(exif)+6)), "Exif\x00\x00"...),
		exif...)
	if got := orientation("webp", webp); got != 6 {
		t.Errorf("a WebP: %d", got)
	}
}
