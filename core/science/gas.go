package science

import "math"

// Constants of chapter 0 of the reference.
const (
	gasConstant = 8.314462618 // J/(mol K)
	gravity     = "9.80665 m/s²"
	molarO2L    = 22.41397 // L/mol at 0 °C and 101.325 kPa
	massCO2     = 44.009   // g/mol
	massAir     = 28.9647  // g/mol
	massH2O2    = 34.0147  // g/mol
	water       = "0.9982 g/mL"
)

// molarMass in g/mol.
var molarMass = map[string]float64{
	"sodium-bicarbonate": 84.007, "acetic": 60.052, "citric": 192.124, "citric-monohydrate": 210.138,
	"tartaric":         150.087,
	"sodium-carbonate": 105.988, "sodium-carbonate-decahydrate": 286.141, "calcium-carbonate": 100.086,
	"sodium-chloride": 58.443,
	"sucrose":         342.297, "hydrogen-peroxide": massH2O2,
}

var gasInputs = []Input{
	{Name: "temperature", Unit: "°C", Default: "20 °C", Help: "of-the-gas"},
	{
		Name:     "pressure",
		Unit:     "kPa",
		Optional: true,
		Limits:   "> 0",
		Help:     "local-air-pressure-as-a-barometer-in-the-room-shows-or-altitude",
	},
	{Name: "altitude", Unit: "m", Optional: true, Limits: "-500…11000", Help: "above-the-sea-instead-of-the-pressure"},
}

// air is the temperature in K and pressure in kPa of a gas. Altitude uses the
// standard atmosphere p = 101.325·(1 − 0.0065·h/288.15)^5.25588.
func (a *args) air() (kelvin, kPa float64) {
	kelvin = a.num("temperature") + 273.15
	kPa = 101.325
	if a.has("pressure") && a.has("altitude") {
		stop("pressure", "give-pressure-or-altitude-not-both")
	}
	if p, ok := a.opt("pressure"); ok {
		kPa = p
	}
	if h, ok := a.opt("altitude"); ok {
		kPa = 101.325 * math.Pow(1-0.0065*h/288.15, 5.25588)
	}
	a.know("pressure", kPa, "kPa")
	a.know("R", gasConstant, "kPa·L/mol/K")
	return kelvin, kPa
}

// litres is the volume of n mol of ideal gas.
func litres(n, kelvin, kPa float64) float64 { return n * gasConstant * kelvin / kPa }
