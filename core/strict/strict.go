// Package strict finds the keys of a JSON document that its type does not have
// or that stand there twice: what a reader would drop without a word.
//
// It must not judge what the keys hold.
package strict

import (
	"bytes"
	"encoding/json"
	"fmt"
	"reflect"
	"strings"
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
	if err := f.value(reflect.TypeOf(into), ""); err != nil {
		return nil
	}
	return f.out
}

type finder struct {
	dec  *json.Decoder
	most int
	out  []Stray
}

func (f *finder) add(s Stray) {
	if len(f.out) < f.most {
		f.out = append(f.out, s)
	}
}

func (f *finder) value(t reflect.Type, path string) error {
	for t != nil && t.Kind() == reflect.Pointer {
		t = t.Elem()
	}
	tok, err := f.dec.Token()
	if err != nil {
		return err
	}
	switch tok {
	case json.Delim('{'):
		return f.object(t, path)
	case json.Delim('['):
		var of reflect.Type
		if t != nil && (t.Kind() == reflect.Slice || t.Kind() == reflect.Array) {
			of = t.Elem()
		}
		for i := 0; f.dec.More(); i++ {
			if err := f.value(of, fmt.Sprintf("%s/%d", path, i)); err != nil {
				return err
			}
		}
		_, err = f.dec.Token()
		return err
	}
	return nil
}

// pointer escapes a name for a JSON Pointer (RFC 6901).
var pointer = strings.NewReplacer("~", "~0", "/", "~1")

func (f *finder) object(t reflect.Type, path string) error {
	seen := map[string]bool{}
	for f.dec.More() {
		tok, err := f.dec.Token()
		if err != nil {
			return err
		}
		key, _ := tok.(string)
		at := path + "/" + pointer.Replace(key)
		if seen[key] {
			f.add(Stray{at, true})
		}
		seen[key] = true
		var of reflect.Type
		switch {
		case t == nil:
		case t.Kind() == reflect.Struct:
			var known bool
			if of, known = field(t, key); !known {
				f.add(Stray{at, false})
			}
		case t.Kind() == reflect.Map:
			of = t.Elem()
		}
		if err := f.value(of, at); err != nil {
			return err
		}
	}
	_, err := f.dec.Token()
	return err
}

// field finds the type that a key is read into, by its exact name.
func field(t reflect.Type, key string) (reflect.Type, bool) {
	for i := range t.NumField() {
		s := t.Field(i)
		name, _, _ := strings.Cut(s.Tag.Get("json"), ",")
		if s.Anonymous && name == "" {
			if of, ok := field(s.Type, key); ok {
				return of, true
			}
			continue
		}
		if name == key || name == "" && s.Name == key {
			return s.Type, true
		}
	}
	return nil, false
}
