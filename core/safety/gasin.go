package safety

import (
	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
)

// GasIn lists what makes gas in each bag of a design: ids of needs, by the bag's.
func GasIn(d *design.Document, l *larder.Larder) map[string][]string {
	out := map[string][]string{}
	j := newJudge(d, l, nil)
	for i := range j.vessels {
		v := &j.vessels[i]
		if v.need == nil || !isBag(v.material) {
			continue
		}
		for _, n := range needsOf(v.gasFrom()) {
			out[v.need.ID] = append(out[v.need.ID], n.ID)
		}
	}
	return out
}
