package api

import (
	"encoding/json"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/safety"
)

// ExperimentSchema is the JSON Schema of the experiment document, made from
// its types, with the words that the safety rules and the larder know.
func ExperimentSchema() ([]byte, error) {
	raw, err := schemaOf[design.Document]("Patient Kitchen experiment")
	if err != nil {
		return nil, err
	}
	var schema map[string]any
	if err := json.Unmarshal(raw, &schema); err != nil {
		return nil, err
	}
	allowed, barred := safety.Actions()
	var roles []string
	for _, r := range larder.Standard().Roles {
		roles = append(roles, r.ID)
	}
	for at, words := range map[[2]string][]string{{"Step", "actions"}: append(allowed, barred...),
		{"Need", "role"}: roles, {"Variable", "result"}: larder.Standard().Results()} {
		shape := schema["$defs"].(map[string]any)[at[0]].(map[string]any)
		property := shape["properties"].(map[string]any)[at[1]].(map[string]any)
		if items, ok := property["items"].(map[string]any); ok {
			property = items
		}
		property["examples"] = words
	}
	return json.Marshal(schema)
}

// ReadingsSchema is the JSON Schema of the exported readings of a class.
func ReadingsSchema() ([]byte, error) {
	return schemaOf[compare.Readings]("Patient Kitchen readings")
}

// KitchensSchema is the JSON Schema of the kitchens of a class.
func KitchensSchema() ([]byte, error) { return schemaOf[kitchen.Class]("Patient Kitchen kitchens") }

// schemaOf is the JSON Schema of an open file's type.
func schemaOf[T any](title string) ([]byte, error) {
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	root := registry.Schema(reflect.TypeFor[T](), true, "Document")
	defs := map[string]any{}
	for name, s := range registry.Map() {
		defs[name] = s
	}
	raw, err := json.Marshal(root)
	if err != nil {
		return nil, err
	}
	out := map[string]any{}
	if err := json.Unmarshal(raw, &out); err != nil {
		return nil, err
	}
	out["$schema"], out["title"], out["$defs"] = "https://json-schema.org/draft/2020-12/schema", title, defs
	return json.Marshal(out)
}
