package media

import (
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"time"

	"golang.org/x/sync/semaphore"
)

// Limits on clips and sounds.
const (
	MaxRecording = 25 << 20 // bytes of an upload
	MaxSeconds   = 20       // of a clip or sound
	clipSide     = 1280     // pixels of the longer side of a clip
	recordTime   = 90 * time.Second
	recordMemory = 2 << 20 // KiB of addresses that one run may take
	graceSeconds = 0.6     // phones stop a little late
)

// Form is what a stored upload is.
type Form string

// The forms.
const (
	PictureForm Form = "picture"
	ClipForm    Form = "clip"  // MP4 with H.264 and AAC
	SoundForm   Form = "sound" // MP4 with AAC alone
)

// The reasons for which a clip or sound is not taken, beside those of pictures.
const (
	NotARecording Reason = "not-a-recording"
	TooLong       Reason = "too-long"
)

// ErrNoRecorder says that this machine cannot take clips and sounds.
var ErrNoRecorder = errors.New("clips and sounds need ffmpeg")

// Recording is a clip or a sound made ready, without any metadata.
type Recording struct {
	Form          Form
	File          []byte // MP4
	Poster        []byte // of a clip: one of its pictures, as JPEG
	Seconds       float64
	Width, Height int // of a clip, in pixels
}

// Recorder makes clips and sounds ready, one at a time. It is the seam to ffmpeg: each
// run has a time, a space of addresses and a folder of its own, reads no other file and
// no network, and takes only the containers that phones write.
type Recorder struct {
	program, probe string
	place          *semaphore.Weighted
}

// FindRecorder is a recorder where ffmpeg and ffprobe are on the machine, else nil.
func FindRecorder() *Recorder {
	program, err := exec.LookPath("ffmpeg")
	if err != nil {
		return nil
	}
	probe, err := exec.LookPath("ffprobe")
	if err != nil {
		return nil
	}
	return &Recorder{program: program, probe: probe, place: semaphore.NewWeighted(1)}
}

// Take makes an upload ready. Its error is *Refused, ErrBusy after ten seconds of
// waiting, ErrNoRecorder on a nil recorder, or the context's.
func (r *Recorder) Take(ctx context.Context, upload []byte) (Recording, error) {
	if r == nil {
		return Recording{}, ErrNoRecorder
	}
	if len(upload) > MaxRecording {
		return Recording{}, &Refused{TooLarge}
	}
	if !contained(upload) {
		return Recording{}, &Refused{NotARecording}
	}
	wait, cancel := context.WithTimeout(ctx, waitForADesk)
	defer cancel()
	if r.place.Acquire(wait, 1) != nil {
		if ctx.Err() != nil {
			return Recording{}, ctx.Err()
		}
		return Recording{}, ErrBusy
	}
	defer r.place.Release(1)

	folder, err := os.MkdirTemp("", "recording")
	if err != nil {
		return Recording{}, err
	}
	defer os.RemoveAll(folder)
	if err := os.WriteFile(filepath.Join(folder, "in"), upload, 0o600); err != nil {
		return Recording{}, err
	}
	work, stop := context.WithTimeout(ctx, recordTime)
	defer stop()
	out, err := r.work(work, folder)
	if err != nil && ctx.Err() != nil {
		return Recording{}, ctx.Err()
	}
	if err != nil && work.Err() != nil {
		return Recording{}, &Refused{TooLarge}
	}
	return out, err
}

// contained reports whether an upload begins as one of the containers that phones
// write: MP4 and QuickTime, Matroska and WebM, Ogg, WAVE, MP3.
func contained(b []byte) bool {
	if len(b) < 12 {
		return false
	}
	switch {
	case string(b[4:8]) == "ftyp", string(b[:4]) == "\x1aE\xdf\xa3", string(b[:4]) == "OggS",
		string(b[:4]) == "RIFF" && string(b[8:12]) == "WAVE", string(b[:3]) == "ID3",
		b[0] == 0xff && b[1]&0xe0 == 0xe0:
		return true
	}
	return false
}

// probed is what ffprobe says.
type probed struct {
	Streams []struct {
		Type        string `json:"codec_type"`
		Width       int    `json:"width"`
		Height      int    `json:"height"`
		Disposition struct {
			Attached int `json:"attached_pic"`
		} `json:"disposition"`
	} `json:"streams"`
	Format struct {
		Duration string `json:"duration"`
	} `json:"format"`
}

func (r *Recorder) work(ctx context.Context, folder string) (Recording, error) {
	raw, err := r.run(ctx, folder, r.probe, append(careful(), "-of", "json",
		"-show_entries", "stream=codec_type,width,height:stream_disposition=attached_pic:format=duration", "in")...)
	var p probed
	if err != nil || json.Unmarshal(raw, &p) != nil {
		return Recording{}, &Refused{NotARecording}
	}
	rec := Recording{}
	for _, s := range p.Streams {
		switch {
		case s.Type == "video" && s.Disposition.Attached == 0:
			if s.Width < 1 || s.Height < 1 || s.Width*s.Height > maxPixels/4 {
				return Recording{}, &Refused{TooLarge}
			}
			rec.Form = ClipForm
		case s.Type == "audio" && rec.Form == "":
			rec.Form = SoundForm
		}
	}
	if rec.Form == "" {
		return Recording{}, &Refused{NotARecording}
	}
	// What a recorder in a browser writes says no length: it is measured as it is made.
	if said, err := strconv.ParseFloat(p.Format.Duration, 64); err == nil && said > MaxSeconds+graceSeconds {
		return Recording{}, &Refused{TooLong}
	}
	if err := r.make(ctx, folder, &rec); err != nil {
		return Recording{}, err
	}
	return rec, nil
}

// make writes the clip or sound anew, and of a clip a picture.
func (r *Recorder) make(ctx context.Context, folder string, rec *Recording) error {
	args := append(careful(), "-y", "-threads", "1", "-i", "in",
		"-t", fmt.Sprint(MaxSeconds+2*graceSeconds), "-map_metadata", "-1", "-map_chapters", "-1", "-sn", "-dn")
	if rec.Form == ClipForm {
		args = append(args, "-map", "0:v:0", "-map", "0:a:0?",
			"-vf", fmt.Sprintf("scale='min(%[1]d,iw)':'min(%[1]d,ih)':force_original_aspect_ratio=decrease:"+
				"force_divisible_by=2,fps=30", clipSide),
			"-c:v", "libx264", "-preset", "veryfast", "-crf", "26", "-pix_fmt", "yuv420p", "-threads", "1")
	} else {
		args = append(args, "-vn", "-map", "0:a:0")
	}
	args = append(args, "-c:a", "aac", "-b:a", "96k", "-ac", "1", "-movflags", "+faststart", "-f", "mp4", "out")
	if _, err := r.run(ctx, folder, r.program, args...); err != nil {
		return &Refused{Broken}
	}
	raw, err := r.run(ctx, folder, r.probe, "-v", "error", "-of", "json",
		"-show_entries", "stream=codec_type,width,height:format=duration", "out")
	var p probed
	if err != nil || json.Unmarshal(raw, &p) != nil {
		return &Refused{Broken}
	}
	rec.Seconds, err = strconv.ParseFloat(p.Format.Duration, 64)
	switch {
	case err != nil || rec.Seconds <= 0 || math.IsNaN(rec.Seconds):
		return &Refused{Broken}
	case rec.Seconds > MaxSeconds+graceSeconds:
		return &Refused{TooLong}
	}
	for _, s := range p.Streams {
		rec.Width, rec.Height = max(rec.Width, s.Width), max(rec.Height, s.Height)
	}
	if rec.Form == ClipForm {
		if _, err := r.run(ctx, folder, r.program, "-v", "error", "-y", "-threads", "1",
			"-ss", fmt.Sprint(rec.Seconds/2), "-i", "out", "-frames:v", "1",
			"-vf", fmt.Sprintf("scale=%[1]d:%[1]d:force_original_aspect_ratio=decrease", thumbSide),
			"-q:v", "5", "-map_metadata", "-1", "-f", "mjpeg", "poster"); err != nil {
			return &Refused{Broken}
		}
		if rec.Poster, err = os.ReadFile(filepath.Join(folder, "poster")); err != nil {
			return err
		}
	}
	rec.File, err = os.ReadFile(filepath.Join(folder, "out"))
	return err
}

// careful are the options for reading what a stranger sent: this file alone, in one of
// the containers; a list of other files, or an address, is not followed.
func careful() []string {
	return []string{"-v", "error", "-protocol_whitelist", "file",
		"-format_whitelist", "mov,mp4,m4a,3gp,3g2,mj2,matroska,webm,ogg,wav,mp3"}
}

// run runs a program in a folder, within a space of addresses.
func (r *Recorder) run(ctx context.Context, folder, program string, args ...string) ([]byte, error) {
	limited := fmt.Sprintf(`ulimit -v %d; exec "$0" "$@"`, recordMemory)
	cmd := exec.CommandContext(ctx, "/bin/sh", append([]string{"-c", limited, program}, args...)...)
	cmd.Dir = folder
	cmd.Env = []string{"PATH=" + os.Getenv("PATH"), "HOME=" + folder}
	cmd.WaitDelay = time.Second
	return cmd.Output()
}
