package signal

import (
	"bytes"
	"encoding/binary"
	"math"
	"math/rand/v2"
	"strings"
	"testing"
)

// part is one vibration of a made recording.
type part struct {
	frequency, amplitude, fades float64 // Hz, of full scale, seconds to 1/e (0: it stays)
	at                          float64 // s
}

// recording makes 2 s of sound: silence for 0.2 s, then the parts.
func recording(rate int, noise float64, parts ...part) []float64 {
	random := rand.New(rand.NewPCG(uint64(rate), 7))
	out := make([]float64, 2*rate)
	for i := range out {
		t := float64(i)/float64(rate) - 0.2
		out[i] = noise * random.NormFloat64()
		for _, p := range parts {
			since := t - p.at
			if since < 0 {
				continue
			}
			a := p.amplitude
			if p.fades > 0 {
				a *= math.Exp(-since / p.fades)
			}
			out[i] += a * math.Sin(2*math.Pi*p.frequency*since)
		}
	}
	return out
}

// glass is a struck glass: its fundamental and three partials, each fading
// faster, the second louder than the first.
func glass(f, fades float64) []part {
	return []part{
		{f, 0.2, fades, 0},
		{2.32 * f, 0.3, fades / 2, 0},
		{4.25 * f, 0.2, fades / 3, 0},
		{6.63 * f, 0.1, fades / 4, 0},
	}
}

// wav writes 16-bit PCM; what is too loud is clipped.
func wav(rate int, channels ...[]float64) []byte {
	var data bytes.Buffer
	for i := range channels[0] {
		for _, c := range channels {
			_ = binary.Write(&data, binary.LittleEndian, int16(math.Round(32767*max(-1, min(1, c[i])))))
		}
	}
	var out bytes.Buffer
	out.WriteString("RIFF")
	_ = binary.Write(&out, binary.LittleEndian, uint32(36+data.Len()))
	out.WriteString("WAVEfmt ")
	_ = binary.Write(&out, binary.LittleEndian, struct {
		Size         uint32
		Format, N    uint16
		Rate, Bytes  uint32
		Align, Depth uint16
	}{16, 1, uint16(len(channels)), uint32(rate), uint32(rate * 2 * len(channels)), uint16(2 * len(channels)), 16})
	out.WriteString("data")
	_ = binary.Write(&out, binary.LittleEndian, uint32(data.Len()))
	out.Write(data.Bytes())
	return out.Bytes()
}

func scaled(samples []float64, by float64) []float64 {
	out := make([]float64, len(samples))
	for i, v := range samples {
		out[i] = by * v
	}
	return out
}

// The tones are known because the recordings are made from them. 25 cents
// (1.45 %) is what the reference allows; these are closer.
func TestPitch(t *testing.T) {
	g := glass(742, 0.6)
	for name, c := range map[string]struct {
		want float64 // Hz; 0 for no pitch
		rate int
		file []byte
	}{
		"a glass":     {742, 44100, wav(44100, recording(44100, 0.001, g...))},
		"at 48 kHz":   {742, 48000, wav(48000, recording(48000, 0.001, g...))},
		"at 8 kHz":    {742, 8000, wav(8000, recording(8000, 0.001, glass(742, 0.6)[:3]...))},
		"fading fast": {1310, 44100, wav(44100, recording(44100, 0.001, glass(1310, 0.06)...))},
		"low":         {131, 44100, wav(44100, recording(44100, 0.002, glass(131, 0.8)...))},
		"high":        {4186, 44100, wav(44100, recording(44100, 0.001, part{4186, 0.4, 0.3, 0}))},
		"in noise":    {742, 44100, wav(44100, recording(44100, 0.15, g...))},
		"very quiet":  {742, 44100, wav(44100, scaled(recording(44100, 0.001, g...), 0.01))},
		"clipped":     {742, 44100, wav(44100, scaled(recording(44100, 0.001, g...), 8))},
		"clipped all along": {742, 44100,
			wav(44100, scaled(recording(44100, 0.001, part{742, 0.4, 0, 0}), 20))},
		"stereo": {742, 44100,
			wav(44100, recording(44100, 0.001, g...), recording(44100, 0.001, g...))},
		"stereo, one empty": {742, 44100, wav(44100, make([]float64, 88200), recording(44100, 0.001, g...))},
		"stereo in opposite phase": {742, 44100,
			wav(44100, recording(44100, 0.001, g...), scaled(recording(44100, 0.001, g...), -1))},
		"a bottle that sounds on": {188, 44100,
			wav(44100, recording(44100, 0.02, part{188, 0.3, 0, 0}, part{376, 0.05, 0, 0}))},
		"split in two near tones": {742, 44100,
			wav(44100, recording(44100, 0.001, part{740, 0.2, 0.6, 0}, part{743, 0.3, 0.6, 0}))},
		"with a far quieter glass": {742, 44100,
			wav(44100, recording(44100, 0.001, append(g, part{512, 0.02, 0.6, 0})...))},
		"with another glass after": {742, 44100,
			wav(44100, recording(44100, 0.001, append(g, part{512, 0.15, 0.6, 0.7})...))},
		"with a hum below the range": {742, 44100,
			wav(44100, recording(44100, 0.001, append(g, part{50, 0.3, 0, -1})...))},
		"weakest allowed": {742, 44100,
			wav(44100, recording(44100, 0.001, part{742, 0.11, 0.6, 0}, part{1721, 0.4, 0.6, 0}))},
		"too weak to be meant": {1721, 44100,
			wav(44100, recording(44100, 0.001, part{742, 0.08, 0.6, 0}, part{1721, 0.4, 0.6, 0}))},
		"silence":          {0, 44100, wav(44100, make([]float64, 88200))},
		"a constant":       {0, 44100, wav(44100, offset(make([]float64, 44100), 0.3))},
		"noise":            {0, 44100, wav(44100, recording(44100, 0.2))},
		"soft noise":       {0, 48000, wav(48000, recording(48000, 0.0005))},
		"falling noise":    {0, 44100, wav(44100, falling(44100))},
		"a clap":           {0, 44100, wav(44100, clap(44100))},
		"too short to say": {0, 44100, wav(44100, []float64{0.1, -0.1, 0.2})},
	} {
		s, err := ReadWAV(c.file)
		if err != nil || s.Rate != c.rate {
			t.Errorf("%s: %v %d", name, err, s.Rate)
			continue
		}
		tone, ok := Pitch(s)
		switch {
		case ok != (c.want > 0):
			t.Errorf("%s: %v %+v", name, ok, tone)
		case ok && math.Abs(1200*math.Log2(tone.Frequency/c.want)) > 8:
			t.Errorf("%s: %.2f Hz, %.0f Hz was made", name, tone.Frequency, c.want)
		case ok && (tone.Confidence <= 0 || tone.Confidence > 1):
			t.Errorf("%s: confidence %g", name, tone.Confidence)
		}
	}
}

func offset(samples []float64, by float64) []float64 {
	for i := range samples {
		samples[i] += by
	}
	return samples
}

// falling is noise whose power falls with the square of the frequency.
func falling(rate int) []float64 {
	out := recording(rate, 0.02)
	for i := 1; i < len(out); i++ {
		out[i] += 0.999 * out[i-1]
	}
	return out
}

// clap is 20 ms of noise.
func clap(rate int) []float64 {
	out := recording(rate, 0.3)
	for i := range out {
		if i < rate/2 || i > rate/2+rate/50 {
			out[i] *= 0.001
		}
	}
	return out
}

// Noise never has a pitch, however often one listens.
func TestNoiseHasNoPitch(t *testing.T) {
	for seed := range uint64(60) {
		random := rand.New(rand.NewPCG(seed, 1))
		samples := make([]float64, 44100)
		for i := range samples {
			samples[i] = 0.1 * random.NormFloat64()
		}
		if tone, ok := Pitch(Sound{44100, [][]float64{samples}}); ok {
			t.Errorf("seed %d: %+v", seed, tone)
		}
	}
}

func TestReadWAV(t *testing.T) {
	good := wav(44100, recording(44100, 0.1))
	with := func(at int, b ...byte) []byte {
		out := bytes.Clone(good)
		copy(out[at:], b)
		return out
	}
	for name, c := range map[string]struct {
		file []byte
		says string
	}{
		"nothing":          {nil, "not a WAV"},
		"a text":           {[]byte("RIFF and more, but not what it says"), "not a WAV"},
		"only a head":      {good[:12], "not a WAV"},
		"a short format":   {append(bytes.Clone(good[:16]), 4, 0, 0, 0, 1, 0, 1, 0), "not a WAV"},
		"sound first":      {append(append(bytes.Clone(good[:12]), good[36:60]...), good[12:36]...), "not a WAV"},
		"no samples":       {good[:44], "no sound"},
		"24 bits":          {with(34, 24), "16-bit PCM"},
		"floating point":   {with(20, 3), "16-bit PCM"},
		"six channels":     {with(22, 6), "mono or stereo"},
		"no channels":      {with(22, 0), "mono or stereo"},
		"96 kHz":           {with(24, 0, 0x77, 1, 0), "96000 samples"},
		"no time":          {with(24, 0, 0, 0, 0), "0 samples"},
		"a rate too large": {with(24, 0xff, 0xff, 0xff, 0xff), "samples per second"},
	} {
		if _, err := ReadWAV(c.file); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want %q", name, err, c.says)
		}
	}
	// What a hard stop leaves, and chunks that are not for us.
	odd := append(append(bytes.Clone(good[:12]), 'L', 'I', 'S', 'T', 3, 0, 0, 0, 'a', 'b', 'c', 0), good[12:]...)
	for name, file := range map[string][]byte{"cut off": good[:1001], "endless": with(40, 0xff, 0xff, 0xff, 0xff),
		"a chunk of odd length before": odd} {
		if s, err := ReadWAV(file); err != nil || len(s.Channels) != 1 || s.Seconds() <= 0 {
			t.Errorf("%s: %v", name, err)
		}
	}
	if s, _ := ReadWAV(wav(8000, []float64{0.5, 0.25}, []float64{-0.5, 0})); math.Abs(s.Channels[0][1]-0.25) > 1e-4 ||
		math.Abs(s.Channels[1][0]+0.5) > 1e-4 {
		t.Errorf("the channels are mixed up: %v", s.Channels)
	}
}

func FuzzReadWAV(f *testing.F) {
	f.Add(wav(8000, recording(8000, 0.1)[:400]))
	f.Add(wav(44100, make([]float64, 60), make([]float64, 60)))
	f.Fuzz(func(t *testing.T, file []byte) {
		s, err := ReadWAV(file)
		if err != nil {
			return
		}
		if tone, ok := Pitch(s); ok && !(tone.Frequency >= lowest && tone.Frequency <= highest) {
			t.Errorf("%+v", tone)
		}
	})
}

// Two seconds of stereo: a glass, and mere noise, where every peak is tried.
func BenchmarkPitch(b *testing.B) {
	for name, samples := range map[string][]float64{"glass": recording(48000, 0.01, glass(742, 0.6)...),
		"noise": recording(48000, 0.2)} {
		file := wav(48000, samples, samples)
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				s, err := ReadWAV(file)
				if err != nil {
					b.Fatal(err)
				}
				Pitch(s)
			}
		})
	}
}
