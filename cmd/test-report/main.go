// Command test-report reads what "go test -json" writes and says what matters:
// the output of what failed, what the tests of speed and of faults measured, each
// package's result, and the ten slowest tests. It ends with status 1 when
// anything failed. ./test pipes its tests through it.
package main

import (
	"bufio"
	"encoding/json"
	"fmt"
	"io"
	"maps"
	"os"
	"regexp"
	"slices"
	"strings"
)

// event is one line of test2json (go doc test2json).
type event struct {
	Action, Package, ImportPath, Test, Output string
	Elapsed                                   float64 // seconds
}

// logged is a line of the test's own, not of a program it runs.
var logged = regexp.MustCompile(`^\s+\w+_test\.go:\d+: `)

type key struct{ pkg, test string }

// told are tests whose figures are printed also when they pass.
var told = regexp.MustCompile(`^Test(Speed|ReadingAge|Cold|Chaos|Muta|CostOf|Simulated|Corpus|CoreOnThePhone)`)

func main() {
	if failed, err := report(os.Stdin, os.Stdout); err != nil || failed {
		if err != nil {
			fmt.Fprintln(os.Stderr, err)
		}
		os.Exit(1)
	}
}

func report(r io.Reader, w io.Writer) (failed bool, err error) {
	output := map[key][]string{}
	type timed struct {
		key
		seconds float64
	}
	var all []timed
	lines := bufio.NewScanner(r)
	lines.Buffer(nil, 16<<20)
	for lines.Scan() {
		var e event
		if json.Unmarshal(lines.Bytes(), &e) != nil { // what the compiler says
			fmt.Fprintln(w, lines.Text())
			continue
		}
		k := key{e.Package + e.ImportPath, e.Test}
		switch e.Action {
		case "output", "build-output":
			if !strings.HasPrefix(e.Output, "=== ") {
				output[k] = append(output[k], e.Output)
			}
		case "build-fail", "fail":
			failed = true
			if e.Test == "" { // a test that a panic or the time limit ended has no result of its own
				for _, cut := range slices.SortedFunc(maps.Keys(output), func(a, b key) int { return strings.Compare(a.test, b.test) }) {
					if cut.pkg == k.pkg && cut.test != "" {
						fmt.Fprintf(w, "--- %s did not end\n%s", cut.test, strings.Join(output[cut], ""))
						delete(output, cut)
					}
				}
			}
			fmt.Fprint(w, strings.Join(output[k], ""))
		case "pass", "skip":
			if e.Test == "" {
				fmt.Fprint(
					w,
					strings.Join(slices.DeleteFunc(output[k], func(s string) bool { return s == "PASS\n" }), ""),
				)
			} else if told.MatchString(e.Test) && e.Action == "pass" {
				for _, l := range output[k] {
					if logged.MatchString(l) {
						fmt.Fprint(w, l)
					}
				}
			}
		}
		if e.Test != "" && !strings.Contains(e.Test, "/") && e.Elapsed > 0 {
			all = append(all, timed{k, e.Elapsed})
		}
		if !strings.HasSuffix(e.Action, "output") {
			delete(output, k)
		}
	}
	slices.SortFunc(all, func(a, b timed) int { return int(1000 * (b.seconds - a.seconds)) })
	if len(all) > 0 {
		fmt.Fprintln(w, "The slowest:")
	}
	for _, t := range all[:min(10, len(all))] {
		fmt.Fprintf(w, "%7.1f s  %s  %s\n", t.seconds, t.test, t.pkg)
	}
	return failed, lines.Err()
}
