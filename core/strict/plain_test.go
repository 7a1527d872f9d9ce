package strict_test

import (
	"testing"

	"patient-kitchen/core/strict"
)

// What no text can hold is told from what it can (RFC 8259, 7), and what is mended holds none.
func TestBroken(t *testing.T) {
	for _, c := range []struct {
		text   string
		broken bool
		mended string
	}{
		{`{"a": "b"}`, false, `{"a": "b"}`},
		{`\n \\u0000 \"`, false, `\n \\u0000 \"`},
		{`\u0041\u00e9`, false, `\u0041\u00e9`},
		{`\ud83d\ude00!`, false, `\ud83d\ude00!`},
		{`a\u0000b`, true, `ab`},
		{"a\x00b", true, "ab"},
		{"a\xffb", true, "ab"},
		{`\ud83d`, true, ``},
		{`\ud83dx`, true, `x`},
		{`\ud83d\u0041`, true, `\u0041`},
		{`\ude00`, true, ``},
		{`\u12`, false, `\u12`},
		{`\`, false, `\`},
		{`\ud83\ude0BBB`, true, `B`}, // what is left out joins what stood around it
	} {
		if got := strict.Broken([]byte(c.text)); got != c.broken {
			t.Errorf("%q is broken: %v", c.text, got)
		}
		got := strict.Mended([]byte(c.text))
		if string(got) != c.mended || strict.Broken(got) {
			t.Errorf("%q is mended to %q, want %q", c.text, got, c.mended)
		}
	}
}

func FuzzBroken(f *testing.F) {
	f.Add([]byte(`\ud83d\ude00 \u0000 \`))
	f.Fuzz(func(t *testing.T, b []byte) {
		if strict.Broken(strict.Mended(b)) {
			t.Errorf("%q stays broken", b)
		}
	})
}
