package signal

import (
	"math"
	"slices"

	"gonum.org/v1/gonum/dsp/fourier"
)

// Tone is what was heard.
type Tone struct {
	Frequency  float64 // Hz
	Confidence float64 // 0…1: how far the tone stands above what is around it
}

const (
	lowest, highest = 100.0, 5000.0 // Hz, where glasses and bottles sound
	// below is how much weaker than the strongest peak the fundamental may be:
	// 12 dB, as a ratio of powers.
	below = 1 / 15.85
	// above is how far a tone has to stand over the middle of its surroundings:
	// 17 dB. The highest of 5000 noise bins stands about 11 dB over it.
	above = 50.0
)

// Pitch finds the lowest vibration of the loudest glass or bottle in a
// recording: the lowest clear peak of the spectrum between 100 Hz and 5 kHz
// that is at most 12 dB weaker than the strongest one, over about a second
// after the loudest strike. The partials of a glass are not harmonic (about
// 1 : 2.3 : 4.3 : 6.6), so that looking for a common period would mislead.
// It is false for silence and for mere noise.
func Pitch(s Sound) (Tone, bool) {
	from, to := loudest(s)
	power, step := spectrum(s, from, to)
	width := 3 * float64(s.Rate) / float64(to-from) // Hz, of a peak
	first := max(1, int(lowest/step))
	last := min(len(power)-2, int(min(highest, 0.47*float64(s.Rate))/step))
	if last <= first {
		return Tone{}, false
	}
	strongest := slices.Max(power[first : last+1])
	if strongest <= 0 {
		return Tone{}, false
	}
	for k := first; k <= last; k++ {
		if power[k] < below*strongest || power[k] < power[k-1] || power[k] < power[k+1] {
			continue
		}
		f := float64(k) * step
		reach := max(1, int(max(width, 0.015*f)/step))
		if slices.Max(power[max(0, k-reach):min(len(power), k+reach+1)]) > power[k] {
			continue // the flank of a stronger peak
		}
		around := max(1, int(max(100, f/6)/step))
		floor := median(power[max(int(20/step), k-around):min(len(power), k+around+1)])
		if power[k] < above*floor {
			continue
		}
		f += vertex(power[k-1], power[k], power[k+1]) * step
		if f < lowest || f > highest {
			continue
		}
		over := 10 * math.Log10(power[k]/(floor+power[k]*1e-9))
		return Tone{Frequency: f, Confidence: min(1, over/50)}, true
	}
	return Tone{}, false
}

// loudest is the stretch to look at, in samples: from the loudest strike, past
// what was clipped there (clipping adds tones that no glass made), for a
// second or until the next strike.
func loudest(s Sound) (from, to int) {
	n := len(s.Channels[0])
	frame := max(1, s.Rate/50)
	energy := make([]float64, n/frame)
	clipped := make([]int, n/frame)
	for _, c := range s.Channels {
		top := 0.0
		for _, v := range c {
			top = max(top, math.Abs(v))
		}
		run := 0
		for i := range len(energy) * frame {
			energy[i/frame] += c[i] * c[i]
			if top > 0 && math.Abs(c[i]) == top {
				run++
			} else {
				run = 0
			}
			if run >= 3 {
				clipped[i/frame]++
			}
		}
	}
	if len(energy) == 0 {
		return 0, n
	}
	at := slices.Index(energy, slices.Max(energy))
	second, least := 50, 13 // frames: 1 s, and the 0.26 s that are enough
	end := min(len(energy), at+second)
	for k := at + least; k < end; k++ {
		if energy[k] > 2*energy[k-1] && energy[k] > 0.02*energy[at] {
			end = k
			break
		}
	}
	for k := end - 1; k >= at; k-- {
		if clipped[k] > 0 {
			if end-k > least {
				at = k + 1
			}
			break
		}
	}
	// A tone that goes on, and is loudest near its end.
	if end-at < least {
		at = max(0, end-2*least)
	}
	return at * frame, min(n, end*frame)
}

// spectrum is the power per bin, and the bins' distance in Hz. The powers of
// the channels are added, not their sounds: these may be in opposite phase.
func spectrum(s Sound, from, to int) (power []float64, step float64) {
	n := to - from
	size := 1
	for size < 2*n {
		size *= 2
	}
	transform := fourier.NewFFT(size)
	power = make([]float64, size/2+1)
	buffer := make([]float64, size)
	var lines []complex128
	// A strike fades by itself: the window rises fast and falls slowly, so that
	// the loud beginning counts.
	rise := min(n/4, s.Rate/50)
	for _, c := range s.Channels {
		mean := 0.0
		for _, v := range c[from:to] {
			mean += v / float64(n)
		}
		for i, v := range c[from:to] {
			w := 0.5 + 0.5*math.Cos(math.Pi*float64(i)/float64(n))
			if i < rise {
				w *= 0.5 - 0.5*math.Cos(math.Pi*float64(i)/float64(rise))
			}
			buffer[i] = (v - mean) * w
		}
		lines = transform.Coefficients(lines, buffer)
		for k, v := range lines {
			power[k] += real(v)*real(v) + imag(v)*imag(v)
		}
	}
	return power, float64(s.Rate) / float64(size)
}

// vertex is where the parabola through the logarithms of three neighbouring
// powers is highest, from the middle one, in bins.
func vertex(left, middle, right float64) float64 {
	l, m, r := math.Log(left), math.Log(middle), math.Log(right)
	d := 0.5 * (l - r) / (l - 2*m + r)
	if math.IsNaN(d) || math.Abs(d) > 1 {
		return 0
	}
	return d
}

func median(values []float64) float64 {
	sorted := slices.Clone(values)
	slices.Sort(sorted)
	return sorted[len(sorted)/2]
}
