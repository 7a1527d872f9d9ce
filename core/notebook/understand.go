package notebook

import (
	"embed"

	"patient-kitchen/core/design"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Understood is a typed value as this experiment reads it.
type Understood = reading.Understood

// Writer says in whose language and measures something was typed.
type Writer = reading.Writer

// AskedWith is a reading of a design as it is asked with one of its tools ("" is
// the usual one).
func AskedWith(r *design.Reading, instrument string) reading.Asked {
	a := reading.Asked{Unit: r.Unit, Low: r.Low, High: r.High, Repeatability: r.Repeatability}
	if in, ok := r.Instrument(instrument); ok {
		a.Step, a.Analogue, a.Tool = in.Resolution, in.Analogue, in.Name
	}
	return a
}

// Understand reads what was typed for a reading with an instrument.
func Understand(r *design.Reading, instrument, typed string, w Writer) Understood {
	return reading.Understand(AskedWith(r, instrument), typed, w)
}
