// Package look holds what the application looks like: colours, radii, spaces, type
// and motion, in tokens.json. The interface's style sheets are made of it when they
// are built (web/vite.config.ts), the pages that Go writes take it from here.
//
// It must not know any page. Start reading at [Properties].
package look

import (
	_ "embed"
	"encoding/json"
	"html/template"
	"maps"
	"slices"
	"strings"
)

//go:embed tokens.json
var file []byte

var tokens = func() (t struct {
	Colour, Radius map[string]string
}) {
	if err := json.Unmarshal(file, &t); err != nil {
		panic("look: tokens.json: " + err.Error()) // it ships with the program
	}
	return t
}()

// Colour is a colour by its name, such as ground.
func Colour(name string) string { return tokens.Colour[name] }

// Properties are the colours and radii as custom properties of a style sheet:
// --ink, --radius-usual.
func Properties() template.CSS {
	var b strings.Builder
	for _, name := range slices.Sorted(maps.Keys(tokens.Colour)) {
		b.WriteString("--" + name + ":" + tokens.Colour[name] + ";")
	}
	for _, name := range slices.Sorted(maps.Keys(tokens.Radius)) {
		b.WriteString("--radius-" + name + ":" + tokens.Radius[name] + ";")
	}
	return template.CSS(b.String()) //nolint:gosec // of our own file
}

// Functions are what templates call: colour and properties.
var Functions = template.FuncMap{"colour": Colour, "properties": Properties}
