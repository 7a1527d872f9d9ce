package kitchen

import (
	"cmp"
	"encoding/json"
	"errors"
	"fmt"
	"maps"
	"regexp"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/strict"
)

// Kitchen is what a home has, as far as it was asked. What was not asked is taken as
// in a usual home.
type Kitchen struct {
	Home      string             `json:"home" doc:"The name by which the home is known in its class"`
	Things    map[string]Answer  `json:"things,omitempty" doc:"By the id of a material of the larder: have, get or none; left out: not asked"`
	Strengths map[string]float64 `json:"strengths,omitempty" doc:"By the id of a material: what its label says, in percent"`
	Tools     map[string]string  `json:"tools,omitempty" doc:"By what is measured (mass, length, time, temperature, volume): the smallest step of the home's tool, such as 1 g, or none"`
	Own       map[string]string  `json:"own,omitempty" doc:"By the id of a value that a home measures once: what it typed, such as 58 g for ten level spoons of salt"`
	People    People             `json:"people,omitzero" doc:"Facts of the home; kept from other homes"`
	Otherwise bool               `json:"otherwise,omitempty" doc:"The home rather takes part in another way"`
}

var idPattern = regexp.MustCompile(`^[a-z0-9][a-z0-9-]{0,79}$`)

// Answer is whether a home has a thing.
type Answer string

// The answers. A thing that was not asked has none.
const (
	Have Answer = "have"
	Get  Answer = "get"  // can get or borrow it
	None Answer = "none" // does not have it
)

// Answers are all of them.
var Answers = []Answer{Have, Get, None}

// NoTool is what a home says that cannot measure something.
const NoTool = "none"

// Measures are what tools of a kitchen measure, with their dimension.
var Measures = map[string]quantity.Dim{
	"mass": quantity.Mass, "length": quantity.Length, "time": quantity.Time, "temperature": quantity.Temperature,
	"volume": quantity.Volume,
}

// Class is the kitchens of a class, with what its teacher has fixed.
type Class struct {
	Measures string    `json:"measures,omitempty" doc:"us, metric, uk or au: what a cup is in this class; left out: metric"`
	Homes    []Kitchen `json:"homes"`
	Pins     []Pin     `json:"pins,omitempty" doc:"What the teacher has fixed for a home"`

	Usual map[string]string `json:"usual,omitempty" doc:"What its teacher says for homes that have not measured it, as of a home's own: altitude and temperatures"`

	Held map[string]string `json:"held,omitempty" doc:"By home the variant that it was planned with before and keeps as long as it can"`
}

// Pin fixes what a home uses for a need.
type Pin struct {
	Home     string `json:"home"`
	Need     string `json:"need"`
	Material string `json:"material" doc:"Its id in the larder; where it matters with its form, such as salt/coarse"`
}

// Measured is a value that a home of the class measured itself, or that its teacher says for
// all; it reports false where there is none.
func (c *Class) Measured(k *Kitchen, id string) (quantity.Quantity, bool) {
	if q, ok := k.Measured(id); ok {
		return q, true
	}
	own, known := design.Own(id)
	typed, said := c.Usual[id]
	if !known || !said || !own.Place {
		return quantity.Quantity{}, false
	}
	q, err := own.Value(typed)
	return q, err == nil
}

// With is a class with one thing fixed, in the place of what was fixed for it before.
func (c Class) With(pin Pin) Class {
	c.Pins = slices.DeleteFunc(slices.Clone(c.Pins), func(p Pin) bool {
		return p.Home == pin.Home && p.Need == pin.Need
	})
	c.Pins = append(c.Pins, pin)
	return c
}

// What is read at most.
const (
	MaxBytes = 8 << 20
	MaxHomes = 5000
)

// Read reads the kitchens of a class from their file. It fails on what is no such
// file, on a key that it does not know, on a home that stands twice and on an answer
// that is none, naming the place.
func Read(raw []byte) (Class, error) {
	var c Class
	if len(raw) > MaxBytes {
		return c, fmt.Errorf("the file is larger than %d MB", MaxBytes>>20)
	}
	if err := json.Unmarshal(raw, &c); err != nil {
		return Class{}, fmt.Errorf("the file of kitchens could not be read: %w", err)
	}
	for _, s := range strict.Find(raw, c, 1) {
		return Class{}, fmt.Errorf("%s: nothing reads this key, or it stands twice; take it out", s.Path)
	}
	if len(c.Homes) > MaxHomes {
		return Class{}, fmt.Errorf("homes: has %d homes; at most %d are read", len(c.Homes), MaxHomes)
	}
	seen := map[string]bool{}
	for i := range c.Homes {
		k := &c.Homes[i]
		if k.Home == "" || seen[k.Home] {
			return Class{}, fmt.Errorf("homes[%d].home: each home has a name of its own, such as Fern", i)
		}
		seen[k.Home] = true
		if err := k.Check(); err != nil {
			return Class{}, fmt.Errorf("homes[%d].%w", i, err)
		}
	}
	return c, nil
}

// Check says what in a kitchen cannot be, and where.
func (k *Kitchen) Check() error {
	for _, id := range slices.Concat(slices.Sorted(maps.Keys(k.Things)), slices.Sorted(maps.Keys(k.Strengths))) {
		if !idPattern.MatchString(id) {
			return fmt.Errorf("things: %.60q is no id of the larder, such as table-salt", id)
		}
	}
	return cmp.Or(
		each("things", k.Things, func(_ string, a Answer) error {
			if !slices.Contains(Answers, a) {
				return fmt.Errorf("“%s” is no answer; write have, get or none", a)
			}
			return nil
		}),
		each("strengths", k.Strengths, func(_ string, p float64) error {
			if !(p > 0 && p <= 100) {
				return fmt.Errorf("%g is no strength in percent; write a number such as 5", p)
			}
			return nil
		}),
		each("own", k.Own, func(id, typed string) error {
			own, known := design.Own(id)
			if !known {
				return errors.New("no home measures this; it is one such as teaspoon or altitude")
			}
			_, err := own.Typed(typed)
			return err
		}),
		each("tools", k.Tools, checkTool),
	)
}

// each checks the answers to one part of the survey and names the first that is wrong.
func each[T any](part string, answers map[string]T, check func(id string, answer T) error) error {
	for _, id := range slices.Sorted(maps.Keys(answers)) {
		if err := check(id, answers[id]); err != nil {
			return fmt.Errorf("%s.%s: %w", part, id, err)
		}
	}
	return nil
}

// checkTool checks the smallest step of a tool.
func checkTool(what, step string) error {
	dim, known := Measures[what]
	if !known {
		return errors.New("a tool measures mass, length, time, temperature or volume")
	}
	if p, ok := quantity.ParseOK(step); step != NoTool && (!ok || p.Unit.Dim != dim || p.Value <= 0) {
		return fmt.Errorf("“%s” is no smallest step; write one such as 1 g, or none", step)
	}
	return nil
}

// Measured is a value that the home measured itself; it reports false where it has not.
func (k *Kitchen) Measured(id string) (quantity.Quantity, bool) {
	own, known := design.Own(id)
	typed, said := k.Own[id]
	if !known || !said {
		return quantity.Quantity{}, false
	}
	q, err := own.Value(typed)
	return q, err == nil
}

// Has notes that the home has a thing in its hands, whatever it said of it before; a use
// names a thing with or without its form, such as salt/coarse.
func (k *Kitchen) Has(use string) {
	material, _, _ := strings.Cut(use, "/")
	things := map[string]Answer{}
	maps.Copy(things, k.Things)
	things[material] = Have
	k.Things = things
}

// Says is what the home says of a material; it reports false for one that it was not
// asked about.
func (k *Kitchen) Says(material string) (Answer, bool) {
	a, ok := k.Things[material]
	return a, ok
}

// Asked reports whether the home has answered anything at all.
func (k *Kitchen) Asked() bool { return len(k.Things)+len(k.Tools)+len(k.Strengths) > 0 }
