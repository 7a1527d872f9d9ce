//go:build js && wasm

// Command phone is what a family's phone works out without a connection: the
// core itself, compiled to one WebAssembly file. The page calls
// kitchenUnderstand or kitchenOrder with a document and gets one back; nothing is written
// twice in TypeScript.
package main

import (
	"encoding/json"
	"syscall/js"

	"patient-kitchen/core/quantity"
	"patient-kitchen/core/reading"
)

// asked is what was typed, where.
type asked struct {
	Typed    string        `json:"typed"`
	Language string        `json:"language"`
	Measures string        `json:"measures"`
	Asked    reading.Asked `json:"asked"`
}

func understand(_ js.Value, args []js.Value) any {
	var a asked
	if len(args) != 1 || json.Unmarshal([]byte(args[0].String()), &a) != nil {
		return "{}"
	}
	u := reading.Understand(a.Asked, a.Typed, reading.Writer{Language: a.Language, System: quantity.System(a.Measures)})
	out, err := json.Marshal(u.Reply(a.Language))
	if err != nil {
		return "{}"
	}
	return string(out)
}

// order is what the answers to pairs of things make.
func order(_ js.Value, args []js.Value) any {
	var pairs []reading.Pair
	if len(args) != 1 || json.Unmarshal([]byte(args[0].String()), &pairs) != nil {
		return "{}"
	}
	var made struct {
		Order  [][]string `json:"order"`
		Circle []string   `json:"circle"`
	}
	made.Order, made.Circle = reading.Ordered(pairs)
	out, err := json.Marshal(made)
	if err != nil {
		return "{}"
	}
	return string(out)
}

func main() {
	js.Global().Set("kitchenOrder", js.FuncOf(order))
	js.Global().Set("kitchenUnderstand", js.FuncOf(understand))
	select {}
}
