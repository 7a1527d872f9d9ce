package design

import (
	"encoding/json"

	"patient-kitchen/core/larder"
)

// Lift is a document's JSON in the present schema, for editing. What cannot
// be read stays as it is; Read says why.
func Lift(raw []byte) []byte {
	var head struct {
		Schema int `json:"schema"`
	}
	if json.Unmarshal(raw, &head) != nil || head.Schema != 1 {
		return raw
	}
	lifted, err := lift1(raw)
	if err != nil {
		return raw
	}
	return lifted
}

// lift1 turns a document of schema 1 into one of schema 2. Schema 1 had the
// teacher's own statement of hazards; where it said no to every line, what is
// needed was food, water and everyday things, and stays so. Otherwise each
// need has to be said anew. Jobs become ids of the larder; free words for
// them are left out.
func lift1(raw []byte) ([]byte, error) {
	var d map[string]any
	if err := json.Unmarshal(raw, &d); err != nil {
		return nil, err
	}
	hazards, _ := d["hazards"].(map[string]any)
	harmless := len(hazards) == 5
	for _, answer := range hazards {
		harmless = harmless && answer == false
	}
	delete(d, "hazards")
	needs, _ := d["needs"].([]any)
	for _, n := range needs {
		need, ok := n.(map[string]any)
		if !ok {
			continue
		}
		if role, _ := need["role"].(string); role != "" {
			if _, known := larder.Standard().Role(role); !known {
				delete(need, "role")
			}
		}
		if _, said := need["kind"]; harmless && !said {
			need["kind"] = ObjectNeed
		}
	}
	d["schema"] = 2
	return json.Marshal(d)
}
