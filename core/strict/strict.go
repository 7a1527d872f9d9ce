// Package strict finds the keys of a JSON document that its type does not have
// or that stand there twice: what a reader would drop without a word.
//
// It also tells text that no database takes ([Broken]). It must not judge what the keys hold.
package strict

import (
	"bytes"
	"encoding/json"
	"reflect"
	"strconv"
	"strings"
	"sync"
)

// Stray is a key that would be dropped.
type Stray struct {
	Path  string // JSON Pointer
	Twice bool   // it stands twice in its object; otherwise nothing reads it
}

// Find lists the strays of a document read into a value of a type, at most
// most of them. A document that is no JSON has none: reading it fails.
func Find(raw []byte, into any, most int) []Stray {
	f := &finder{dec: json.NewDecoder(bytes.NewReader(raw)), most: most}
	if err := f.value(reflect.TypeOf(into), nil); err != nil {
		return nil
	}
	return f.out
}

type finder struct {
	dec  *json.Decoder
	most int
	out  []Stray
}

func (f *finder) add(at *place, twice bool) {
	if len(f.out) < f.most {
		f.out = append(f.out, Stray{at.String(), twice})
	}
}

// value reads a value into a type, or passes it by where nothing is read into.
func (f *finder) value(t reflect.Type, at *place) error {
	for t != nil && t.Kind() == reflect.Pointer {
		t = t.Elem()
	}
	tok, err := f.dec.Token()
	if err != nil {
		return err
	}
	switch tok {
	case json.Delim('{'):
		return f.object(t, at)
	case json.Delim('['):
		var of reflect.Type
		if t != nil && (t.Kind() == reflect.Slice || t.Kind() == reflect.Array) {
			of = t.Elem()
		}
		for i := 0; f.dec.More(); i++ {
			if err := f.value(of, &place{of: at, index: i}); err != nil {
				return err
			}
		}
		_, err = f.dec.Token()
		return err
	}
	return nil
}

// place is where a value stands: a key or an index in what stands around it.
type place struct {
	of    *place
	key   string
	index int // of a list; -1 for a key
}

// pointer escapes a name for a JSON Pointer (RFC 6901).
var pointer = strings.NewReplacer("~", "~0", "/", "~1")

// String writes it as a JSON Pointer; only strays need one.
func (p *place) String() string {
	switch {
	case p == nil:
		return ""
	case p.index >= 0:
		return p.of.String() + "/" + strconv.Itoa(p.index)
	}
	return p.of.String() + "/" + pointer.Replace(p.key)
}

func (f *finder) object(t reflect.Type, in *place) error {
	seen := map[string]bool{}
	var names map[string]reflect.Type
	if t != nil && t.Kind() == reflect.Struct {
		names = fields(t)
	}
	for f.dec.More() {
		tok, err := f.dec.Token()
		if err != nil {
			return err
		}
		key, _ := tok.(string)
		at := &place{in, key, -1}
		if seen[key] {
			f.add(at, true)
		}
		seen[key] = true
		of, read := names[key]
		switch {
		case names != nil && !read:
			f.add(at, false)
		case t != nil && t.Kind() == reflect.Map:
			of = t.Elem()
		}
		if err := f.value(of, at); err != nil {
			return err
		}
	}
	_, err := f.dec.Token()
	return err
}

// known are the fields of the types that were asked for.
var known sync.Map // of reflect.Type to map[string]reflect.Type

// fields are the types that an object's keys are read into, by their exact names.
func fields(t reflect.Type) map[string]reflect.Type {
	if names, ok := known.Load(t); ok {
		return names.(map[string]reflect.Type)
	}
	names := map[string]reflect.Type{}
	for i := range t.NumField() {
		s := t.Field(i)
		name, _, _ := strings.Cut(s.Tag.Get("json"), ",")
		switch {
		case s.Anonymous && name == "":
			for inner, of := range fields(s.Type) {
				if _, outer := names[inner]; !outer {
					names[inner] = of
				}
			}
		case name == "":
			names[s.Name] = s.Type
		default:
			names[name] = s.Type
		}
	}
	known.Store(t, names)
	return names
}
