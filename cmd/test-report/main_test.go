package main

import (
	"fmt"
	"strings"
	"testing"
)

// What failed is said with its output, what passed only with its result, what
// was measured also when it passed.
func TestReport(t *testing.T) {
	stream := `{"Action":"run","Package":"p","Test":"TestGood"}
{"Action":"output","Package":"p","Test":"TestGood","Output":"a quiet word\n"}
{"Action":"pass","Package":"p","Test":"TestGood","Elapsed":0.5}
{"Action":"output","Package":"p","Test":"TestSpeedOfIt","Output":"    x_test.go:3: 3 times\n"}
{"Action":"output","Package":"p","Test":"TestSpeedOfIt","Output":"level=ERROR a quiet word\n"}
{"Action":"pass","Package":"p","Test":"TestSpeedOfIt","Elapsed":2}
{"Action":"output","Package":"p","Test":"TestLater","Output":"    x_test.go:9: no scales here\n"}
{"Action":"skip","Package":"p","Test":"TestLater"}
{"Action":"output","Package":"p","Output":"coverage: 81.5% of statements\n"}
{"Action":"pass","Package":"p","Elapsed":2.5}
`
	for name, c := range map[string]struct {
		in     string
		failed bool
		says   []string
		not    []string
	}{
		"all well": {stream, false, []string{"3 times", "2 passed     2.5 s, 1 skipped, 81.5 % covered",
			"Skipped: TestLater: no scales here", "2.0 s  TestSpeedOfIt", "2 tests passed, 0 failed, 1 were skipped."},
			[]string{"a quiet word"}},
		"one fails": {stream + `{"Action":"output","Package":"q","Test":"TestBad","Output":"why\n"}` + "\n" +
			`{"Action":"fail","Package":"q","Test":"TestBad","Elapsed":1}`, true, []string{"why", "1.0 s  TestBad"},
			nil},
		"one hangs": {stream + `{"Action":"run","Package":"q","Test":"TestHung"}` + "\n" +
			`{"Action":"output","Package":"q","Test":"TestHung","Output":"panic: test timed out\n"}` + "\n" +
			`{"Action":"fail","Package":"q","Elapsed":1}`, true,
			[]string{"TestHung did not end", "panic: test timed out"}, nil},
		"no compiler": {"# q\nq.go:1: expected\n" + `{"Action":"build-output","ImportPath":"q","Output":"q.go:2\n"}` +
			"\n" + `{"Action":"build-fail","ImportPath":"q"}`, true, []string{"q.go:1", "q.go:2"}, nil},
	} {
		var out strings.Builder
		failed, err := report(strings.NewReader(c.in), &out)
		if err != nil || failed != c.failed {
			t.Errorf("%s: failed %v, %v", name, failed, err)
		}
		for _, s := range c.says {
			if !strings.Contains(out.String(), s) {
				t.Errorf("%s lacks %q:\n%s", name, s, out.String())
			}
		}
		for _, s := range c.not {
			if strings.Contains(out.String(), s) {
				t.Errorf("%s says %q", name, s)
			}
		}
	}
}

// A test that prints without end is said by its beginning and its end.
func TestEndless(t *testing.T) {
	var in, out strings.Builder
	for i := range 5000 {
		fmt.Fprintf(&in, `{"Action":"output","Package":"p","Test":"TestLoud","Output":"line %d.\n"}`+"\n", i)
	}
	in.WriteString(`{"Action":"fail","Package":"p","Test":"TestLoud","Elapsed":1}`)
	if _, err := report(strings.NewReader(in.String()), &out); err != nil {
		t.Fatal(err)
	}
	for _, s := range []string{"line 0.\n", "line 399.\n… 4200 lines left out …\nline 4600.\n", "line 4999.\n"} {
		if !strings.Contains(out.String(), s) {
			t.Errorf("lacks %q", s)
		}
	}
	if n := strings.Count(out.String(), "line "); n != 800 {
		t.Errorf("%d lines were kept", n)
	}
}
