package design

import (
	"encoding/json"
	"fmt"

	"patient-kitchen/core/larder"
)

// Lift is a document's JSON in the present schema, for editing. What cannot
// be read stays as it is; Read says why.
func Lift(raw []byte) []byte {
	var head struct {
		Schema int `json:"schema"`
	}
	if json.Unmarshal(raw, &head) != nil || head.Schema < 1 {
		return raw
	}
	for n := head.Schema; n < Schema; n++ {
		lifted, err := lifts[n](raw)
		if err != nil {
			return raw
		}
		raw = lifted
	}
	return raw
}

// lifts turn a document of a schema into one of the next.
var lifts = map[int]func([]byte) ([]byte, error){1: lift1, 2: lift2}

// lift2 turns a document of schema 2 into one of schema 3: what a reading is
// taken in each of is a list, options have ids (those under which answers were
// kept), and a question for a number is one for a quantity. Schema 2 knew one
// kind of reading, which is the one that need not be named.
func lift2(raw []byte) ([]byte, error) {
	var d map[string]any
	if err := json.Unmarshal(raw, &d); err != nil {
		return nil, err
	}
	each(d["readings"], func(r map[string]any) {
		if r["per_condition"] == true {
			r["per"] = []any{Conditions}
		}
		delete(r, "per_condition")
	})
	each(d["questions"], func(q map[string]any) {
		if q["kind"] == "number" {
			q["kind"] = "quantity"
		}
		options, _ := q["options"].([]any)
		for i, word := range options {
			options[i] = map[string]any{"id": fmt.Sprintf("option-%d", i+1), "word": word}
		}
	})
	d["schema"] = 3
	return json.Marshal(d)
}

// each goes through the objects of a list.
func each(list any, do func(map[string]any)) {
	all, _ := list.([]any)
	for _, one := range all {
		if object, ok := one.(map[string]any); ok {
			do(object)
		}
	}
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
	each(d["needs"], func(need map[string]any) {
		if role, _ := need["role"].(string); role != "" {
			if _, known := larder.Standard().Role(role); !known {
				delete(need, "role")
			}
		}
		if _, said := need["kind"]; harmless && !said {
			need["kind"] = ObjectNeed
		}
	})
	d["schema"] = 2
	return json.Marshal(d)
}
