package science

import (
	"patient-kitchen/core/signal"
	"patient-kitchen/core/text"
)

func init() {
	register(Model{Number: 31, ID: "signal-pitch", Group: "size", Main: "frequency",
		Inputs:  []Input{{Name: "wav", Unit: "recording", Help: "16-bit-pcm-wav-8-to-48-khz-one-strike-or-one-breath"}},
		Outputs: []Output{{"frequency", "Hz", ""}, {"confidence", "1", ""}, {"note", "", ""}, {"cents", "1", ""}},
		run:     signalPitch})
}

func signalPitch(a *args) results {
	sound, err := signal.ReadWAV(a.recording("wav"))
	if err != nil {
		stop("wav", "said", "a", text.Why(err))
	}
	tone, ok := signal.Pitch(sound)
	if !ok {
		return results{"confidence": num(0, "1")}
	}
	note, cents := nearestNote(tone.Frequency, 440)
	return results{
		"frequency":  num(tone.Frequency, "Hz"),
		"confidence": num(tone.Confidence, "1"),
		"note":       {Value: note},
		"cents":      num(cents, "1"),
	}
}
