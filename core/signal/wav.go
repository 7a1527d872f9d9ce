package signal

import (
	"encoding/binary"

	"patient-kitchen/core/text"
)

// Sound is a recording: samples from -1 to 1 per channel.
type Sound struct {
	Rate     int // samples per second, 8000…48000
	Channels [][]float64
}

// Seconds is the length of the recording.
func (s Sound) Seconds() float64 { return float64(len(s.Channels[0])) / float64(s.Rate) }

// errNotWAV says what a recording has to be.
var errNotWAV = text.Faulty("signal.wav")

// ReadWAV reads a recording: 16-bit PCM, one or two channels, 8 to 48 kHz. A
// recording that was cut off is read as far as it goes.
func ReadWAV(file []byte) (Sound, error) {
	if len(file) < 12 || string(file[:4]) != "RIFF" || string(file[8:12]) != "WAVE" {
		return Sound{}, errNotWAV
	}
	var s Sound
	channels := 0
	for rest := file[12:]; len(rest) >= 8; {
		kind, size := string(rest[:4]), int64(binary.LittleEndian.Uint32(rest[4:]))
		body := rest[8:]
		// A recorder that was stopped hard leaves a size that is too large.
		body = body[:min(size, int64(len(body)))]
		switch kind {
		case "fmt ":
			var err error
			if s.Rate, channels, err = readFormat(body); err != nil {
				return Sound{}, err
			}
		case "data":
			if channels == 0 {
				return Sound{}, errNotWAV
			}
			s.Channels = readSamples(body, channels)
			if len(s.Channels[0]) == 0 {
				return Sound{}, text.Faulty("signal.silent")
			}
			return s, nil
		}
		// Chunks are filled up to an even length.
		rest = rest[min(8+size+size%2, int64(len(rest))):]
	}
	return Sound{}, errNotWAV
}

func readFormat(body []byte) (rate, channels int, err error) {
	if len(body) < 16 {
		return 0, 0, errNotWAV
	}
	format := binary.LittleEndian.Uint16(body)
	// The extensible form keeps the real format at the head of an identifier.
	if format == 0xfffe && len(body) >= 26 {
		format = binary.LittleEndian.Uint16(body[24:])
	}
	channels = int(binary.LittleEndian.Uint16(body[2:]))
	rate64 := int64(binary.LittleEndian.Uint32(body[4:]))
	bits := binary.LittleEndian.Uint16(body[14:])
	switch {
	case format != 1 || bits != 16:
		return 0, 0, text.Faulty("signal.format", "format", int(format), "bits", int(bits))
	case channels < 1 || channels > 2:
		return 0, 0, text.Faulty("signal.channels", "n", int(channels))
	case rate64 < 8000 || rate64 > 48000:
		return 0, 0, text.Faulty("signal.rate", "n", int(rate64))
	}
	return int(rate64), channels, nil
}

func readSamples(body []byte, channels int) [][]float64 {
	n := len(body) / (2 * channels)
	out := make([][]float64, channels)
	for c := range out {
		out[c] = make([]float64, n)
		for i := range out[c] {
			out[c][i] = float64(int16(binary.LittleEndian.Uint16(body[2*(i*channels+c):]))) / 32768
		}
	}
	return out
}
