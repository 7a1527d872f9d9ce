package media

import (
	"bytes"
	"context"
	"errors"
	"image/jpeg"
	"math"
	"strings"
	"testing"

	"patient-kitchen/internal/media/mediatest"
)

func TestRecordings(t *testing.T) {
	made := map[string][]byte{
		"clip.mp4": mediatest.Clip(t, "clip.mp4", "2"), "clip.webm": mediatest.Clip(t, "clip.webm", "1"),
		"clip.mov": mediatest.Clip(t, "clip.mov", "1"), "sound.mp3": mediatest.Sound(t, "sound.mp3", "3"),
		"sound.ogg": mediatest.Sound(t, "sound.ogg", "1"), "sound.wav": mediatest.Sound(t, "sound.wav", "1"),
	}
	r := FindRecorder()
	for name, upload := range made {
		rec, err := r.Take(t.Context(), upload)
		if err != nil {
			t.Errorf("%s: %v", name, err)
			continue
		}
		want := SoundForm
		if strings.HasPrefix(name, "clip") {
			want = ClipForm
			p, err := jpeg.DecodeConfig(bytes.NewReader(rec.Poster))
			if err != nil || p.Width != 320 || p.Height != 240 || rec.Width != 320 || rec.Height != 240 {
				t.Errorf("%s: %v, the picture is %d × %d", name, err, p.Width, p.Height)
			}
		}
		if rec.Form != want || string(rec.File[4:8]) != "ftyp" || rec.Seconds < 0.9 || rec.Seconds > 3.3 {
			t.Errorf("%s became %s of %v s: %q", name, rec.Form, rec.Seconds, rec.File[:12])
		}
		for _, private := range []string{"Our kitchen", "50.5686"} {
			if bytes.Contains(rec.File, []byte(private)) {
				t.Errorf("%s still holds %q", name, private)
			}
		}
	}
	if !bytes.Contains(made["clip.mp4"], []byte("Our kitchen")) {
		t.Error("the clip had no title, so nothing was taken out")
	}
	if again, err := r.Take(t.Context(), made["clip.mp4"]); err != nil || math.Abs(again.Seconds-2) > 0.2 {
		t.Errorf("%v s, %v", again.Seconds, err)
	}
}

func TestRecordingsThatAreRefused(t *testing.T) {
	long := mediatest.Sound(t, "long.wav", "25")
	clip := mediatest.Clip(t, "clip.mp4", "1")
	picture := mediatest.Made(t, "still.jpg", "-f", "lavfi", "-i", "testsrc=size=64x64:rate=1:duration=1", "-frames:v", "1")
	playlist := []byte("#EXTM3U\n#EXTINF:10,\nfile:///etc/passwd\n")
	list := []byte("ffconcat version 1.0\nfile '/etc/passwd'\n")
	r := FindRecorder()
	for name, c := range map[string]struct {
		upload []byte
		reason Reason
	}{
		"nothing":     {nil, NotARecording},
		"a word":      {[]byte("hello, this is no sound"), NotARecording},
		"a picture":   {picture, NotARecording},
		"a list":      {playlist, NotARecording},
		"another":     {list, NotARecording},
		"in disguise": {append([]byte("OggS\x00\x02ftyp"), playlist...), NotARecording},
		"cut short":   {clip[:len(clip)/10], NotARecording},
		"25 s":        {long, TooLong},
		"too much":    {append([]byte("RIFF\x00\x00\x00\x00WAVE"), make([]byte, MaxRecording)...), TooLarge},
	} {
		_, err := r.Take(t.Context(), c.upload)
		var refused *Refused
		if !errors.As(err, &refused) || refused.Reason != c.reason {
			t.Errorf("%s: %v, want %s", name, err, c.reason)
		}
	}
	if _, err := (*Recorder)(nil).Take(t.Context(), clip); !errors.Is(err, ErrNoRecorder) {
		t.Errorf("without ffmpeg: %v", err)
	}
	gone, cancel := context.WithCancel(t.Context())
	cancel()
	if _, err := r.Take(gone, clip); !errors.Is(err, context.Canceled) {
		t.Errorf("a caller who left: %v", err)
	}
}
