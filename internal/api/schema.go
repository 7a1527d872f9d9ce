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
	return schemaOf[design.Document]("Patient Kitchen experiment")
}

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
