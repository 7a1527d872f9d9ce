package safety

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/quantity"
)

// A quality is what the steps ask of a vessel; what stands in for one has to
// have it too, and has not where nothing says so.
type quality struct {
	asked func(*judge, *vessel) bool
	has   func(j *judge, v *vessel, m *larder.Material, room float64) bool
}

// The room of a vessel is judged both ways: the design's own choice at its
// upper end, for the teacher has it in hand, and what stands in for it at its
// lower end, for nobody saw the one at home. Without a capacity there is none.
func mostRoom(m *larder.Material) float64 {
	if m.Capacity == nil {
		return 0
	}
	return m.Capacity.High / 1000
}

func leastRoom(m *larder.Material) float64 {
	if m.Capacity == nil {
		return 0
	}
	return m.Capacity.Low / 1000
}

var vesselQualities = []quality{
	{ // it is closed at some step
		func(_ *judge, v *vessel) bool { return v.any(func(s *state) bool { return s.closed }) },
		func(_ *judge, _ *vessel, m *larder.Material, _ float64) bool {
			return m.Is("closes", "zip", "tie", "screw", "plug", "snap", "clip")
		},
	},
	{ // it is heated from outside, or takes what is hotter than most plastic bears
		func(j *judge, v *vessel) bool {
			return v.any(func(s *state) bool { return s.heated || j.hot(s.step) })
		},
		func(_ *judge, _ *vessel, m *larder.Material, _ float64) bool {
			return m.Is("make", "metal", "oven-glass", "ceramic", "silicone")
		},
	},
	{ // what is in it is wet
		func(j *judge, v *vessel) bool { return j.liquid(v) > 0 },
		func(_ *judge, _ *vessel, m *larder.Material, _ float64) bool { return !m.Is("make", "cloth", "paper") },
	},
	{ // it holds the liquid, with a quarter of room above
		func(j *judge, v *vessel) bool { return j.liquid(v) > 0 },
		func(j *judge, v *vessel, _ *larder.Material, room float64) bool { return room >= 1.25*j.liquid(v) },
	},
	{ // it is no other order of size: what stands high in one is a film in the other
		func(_ *judge, v *vessel) bool { return v.material.Capacity != nil },
		func(_ *judge, v *vessel, m *larder.Material, _ float64) bool {
			return m.Capacity == nil || m.Capacity.Low <= 10*v.material.Capacity.High
		},
	},
}

// plasticBears is the temperature in °C up to which the plastics of a kitchen
// keep their shape; thin bottles give way at 60.
const plasticBears = 60

// serves reports whether a material can do what the steps ask of a need. What
// the design's own choice has not is not asked of others.
func (j *judge) serves(need string, m *larder.Material) bool {
	for i := range j.vessels {
		v := &j.vessels[i]
		if v.need == nil || v.need.ID != need || v.material == nil {
			continue
		}
		for _, q := range vesselQualities {
			if q.asked(j, v) && q.has(j, v, v.material, mostRoom(v.material)) && !q.has(j, v, m, leastRoom(m)) {
				return false
			}
		}
	}
	return true
}

func (v *vessel) any(test func(*state) bool) bool {
	for i := range v.states {
		if test(&v.states[i]) {
			return true
		}
	}
	return false
}

// hot reports whether a step says that something is hotter than plastic bears.
func (j *judge) hot(step int) bool {
	t, ok := celsius(j.d.Steps[step].Heat)
	return ok && t >= plasticBears
}

// liquid is the most liquid that is in a vessel at once, in L.
func (j *judge) liquid(v *vessel) float64 {
	most := 0.0
	for i := range v.states {
		sum := 0.0
		for _, c := range v.states[i].holds {
			if q, ok := j.perRun(c.need); ok && c.material.Liquid() && q.Unit.Dim == quantity.Volume {
				sum += (q.SI() + 2*q.USI()) * 1000
			}
		}
		most = max(most, sum)
	}
	return most
}

// serving are the candidates that suit and can do what the steps ask.
func (j *judge) serving(n *design.Need, all []larder.Candidate) []larder.Candidate {
	var out []larder.Candidate
	for _, c := range all {
		if c.Class != larder.Unsuitable && j.serves(n.ID, c.Material) {
			out = append(out, c)
		}
	}
	return out
}
