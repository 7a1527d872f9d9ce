package api

import (
	"encoding/json"
	"reflect"

	"github.com/danielgtaylor/huma/v2"

	"patient-kitchen/core/design"
)

// ExperimentSchema is the JSON Schema of the experiment document, made from
// its types.
func ExperimentSchema() ([]byte, error) {
	registry := huma.NewMapRegistry("#/$defs/", huma.DefaultSchemaNamer)
	root := registry.Schema(reflect.TypeFor[design.Document](), true, "Document")
	defs := map[string]any{}
	for name, s := range registry.Map() {
		defs[name] = s
	}
	return json.Marshal(map[string]any{
		"$schema": "https://json-schema.org/draft/2020-12/schema",
		"title":   "Patient Kitchen experiment",
		"$ref":    root.Ref,
		"$defs":   defs,
	})
}
