package design

import (
	"fmt"
	"reflect"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// ownWords are the types whose values are judged with words of their own.
var ownWords = []reflect.Type{
	reflect.TypeFor[AgeBand](),
	reflect.TypeFor[Way](),
	reflect.TypeFor[StepKind](),
	reflect.TypeFor[NeedKind](),
}

// enums finds values that are none of those their field can have: what the
// published schema lists, and nothing else would know what to make of.
func (v *validator) enums() { v.enumsIn(reflect.ValueOf(*v.d), "", "") }

func (v *validator) enumsIn(x reflect.Value, path, allowed string) {
	switch x.Kind() {
	case reflect.Pointer:
		if !x.IsNil() {
			v.enumsIn(x.Elem(), path, allowed)
		}
	case reflect.Slice:
		for i := range x.Len() {
			v.enumsIn(x.Index(i), fmt.Sprintf("%s/%d", path, i), allowed)
		}
	case reflect.String:
		if s := x.String(); allowed != "" && s != "" && !slices.Contains(ownWords, x.Type()) &&
			!slices.Contains(strings.Split(allowed, ","), s) {
			v.say(Error, "kind", path, text.Args{"typed": s, "list": strings.Split(allowed, ",")})
		}
	case reflect.Struct:
		if x.Type().PkgPath() != reflect.TypeFor[Document]().PkgPath() {
			return // things of the larder are checked there
		}
		for i := range x.NumField() {
			f := x.Type().Field(i)
			name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
			if f.IsExported() && name != "-" {
				v.enumsIn(x.Field(i), path+"/"+name, f.Tag.Get("enum"))
			}
		}
	}
}
