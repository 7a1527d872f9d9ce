package strict_test

import (
	"fmt"
	"testing"

	"patient-kitchen/core/strict"
)

type inner struct {
	Title string            `json:"title"`
	Words map[string]string `json:"words"`
}

type outer struct {
	inner
	Steps []inner `json:"steps"`
	One   *inner  `json:"one,omitempty"`
	Any   any     `json:"any"`
}

func TestFind(t *testing.T) {
	for raw, want := range map[string]string{
		`{"title":"a","steps":[{"title":"b","words":{"en":"x","tlh":"y"}}],"one":null,"any":{"what":1}}`: "[]",
		`{"titel":"a"}`: "[{/titel false}]",
		`{"Title":"a"}`: "[{/Title false}]",
		`{"steps":[{"title":"b"},{"minutes":3}]}`: "[{/steps/1/minutes false}]",
		`{"title":"a","title":"b"}`:               "[{/title true}]",
		`{"one":{"words":{"en":"a","en":"b"}}}`:   "[{/one/words/en true}]",
		`{"one":{"a/b":1,"c~d":{"e":2}}}`:         "[{/one/a~1b false} {/one/c~0d false}]",
		`{"a":1,"b":2,"c":3,"d":4}`:               "[{/a false} {/b false} {/c false}]",
		`{"any":{"x":1,"x":2}}`:                   "[{/any/x true}]",
		`{"":1,"steps":[{"":{}}]}`:                "[{/ false} {/steps/0/ false}]",
		`[1, {"x": 2}]`:                           "[]", `{`: "[]", ``: "[]", `{"steps":"none"}`: "[]",
	} {
		if got := fmt.Sprint(strict.Find([]byte(raw), outer{}, 3)); got != want {
			t.Errorf("%s: %s, want %s", raw, got, want)
		}
	}
}

func FuzzFind(f *testing.F) {
	f.Add([]byte(`{"steps":[{"title":"b","words":{"en":"x"}}],"one":{}}`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		if n := len(strict.Find(raw, outer{}, 5)); n > 5 {
			t.Errorf("%d strays", n)
		}
	})
}
