package science

import (
	"encoding/json"
	"fmt"
	"math"
	"sort"
)

type layer struct {
	Name    string
	Density json.RawMessage
}

type named struct {
	name    string
	density float64
}

func init() {
	register(Model{Number: 9, ID: "layers", Group: "much",
		Inputs: []Input{
			{Name: "liquids", Unit: "objects", Form: NameDensity, Help: "list-of-name-and-density"},
			{Name: "objects", Unit: "objects", Form: NameDensity, Optional: true, Help: "list-of-name-and-density"},
		},
		Outputs: []Output{{"order", "", ""}, {"places", "", ""}, {"warnings", "", ""}},
		run:     layers})
}

func readLayers(a *args, name string, least int) []named {
	var out []named
	seen := map[string]bool{}
	for i, l := range objects[layer](a, name, least) {
		place := fmt.Sprintf("%s[%d]", name, i)
		if l.Name == "" || seen[l.Name] {
			stop(place, "needs-a-name-of-its-own")
		}
		seen[l.Name] = true
		if l.Density == nil {
			stop(place, "needs-a-density-such-as-1")
		}
		d := number(place, l.Density, "g/mL")
		if d <= 0 {
			stop(place, "has-to-have-a-density-above")
		}
		out = append(out, named{l.Name, d})
	}
	return out
}

func layers(a *args) results {
	liquids := readLayers(a, "liquids", 1)
	sort.SliceStable(liquids, func(i, j int) bool { return liquids[i].density > liquids[j].density })
	order, warnings, places := []string{}, [][]string{}, map[string]string{}
	for i, l := range liquids {
		order = append(order, l.name)
		if i > 0 && liquids[i-1].density-l.density < 0.02-1e-9 {
			warnings = append(warnings, []string{liquids[i-1].name, l.name})
		}
	}
	for _, o := range readLayers(a, "objects", 0) {
		place := "floor"
		for _, l := range liquids { // from the bottom up: the uppermost that carries it
			if l.density > o.density {
				place = "on:" + l.name
			}
		}
		for _, l := range liquids {
			if math.Abs(l.density-o.density) <= 1e-9 {
				place = "in:" + l.name
				break
			}
		}
		places[o.name] = place
	}
	return results{"order": {Value: order}, "places": {Value: places}, "warnings": {Value: warnings}}
}
