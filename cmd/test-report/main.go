// Command test-report reads what "go test -json" writes and says what matters:
// the output of what failed, what the tests of speed and of faults measured, and
// at the end what ran in each package, what was skipped and why, how long it took
// and how much of the code it covered. It ends with status 1 when anything
// failed. ./test pipes its tests through it.
package main

import (
	"bufio"
	"cmp"
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

// covered is how much of a package its own tests run through.
var covered = regexp.MustCompile(`coverage: (\d+\.\d)% of statements`)

// told are tests whose figures are printed also when they pass.
var told = regexp.MustCompile(`^Test(Speed|ReadingAge|Cold|Chaos|Muta|CostOf|Simulated|Corpus|CoreOnThePhone)`)

type key struct{ pkg, test string }

// tally is what ran in one package.
type tally struct {
	name                    string
	passed, failed, skipped int
	seconds                 float64
	coverage                string
}

// kept is how many lines of a test's beginning and as many of its end are kept: a
// program that logs without end must not take the machine's memory with it.
const kept = 400

// printed is what a test printed, without the middle of what is endless.
type printed struct {
	first, last []string // last is a ring once it is full
	total       int
}

func (p *printed) add(line string) {
	switch at := p.total - kept; {
	case at < 0:
		p.first = append(p.first, line)
	case at < kept:
		p.last = append(p.last, line)
	default:
		p.last[at%kept] = line
	}
	p.total++
}

// lines are what was kept, in order; of nil, none.
func (p *printed) lines() []string {
	if p == nil {
		return nil
	}
	left := p.total - 2*kept
	if left <= 0 {
		return slices.Concat(p.first, p.last)
	}
	turn := left % kept
	return slices.Concat(p.first, []string{fmt.Sprintf("… %d lines left out …\n", left)}, p.last[turn:], p.last[:turn])
}

type slow struct {
	key
	seconds float64
}

type reporter struct {
	w       io.Writer
	output  map[key]*printed // of what has not ended
	tallies map[string]*tally
	slow    []slow
	skipped []string
	failed  bool
}

func main() {
	if failed, err := report(os.Stdin, os.Stdout); err != nil || failed {
		if err != nil {
			fmt.Fprintln(os.Stderr, err)
		}
		os.Exit(1)
	}
}

func report(in io.Reader, w io.Writer) (failed bool, err error) {
	r := &reporter{w: w, output: map[key]*printed{}, tallies: map[string]*tally{}}
	lines := bufio.NewScanner(in)
	lines.Buffer(nil, 16<<20)
	for lines.Scan() {
		var e event
		if json.Unmarshal(lines.Bytes(), &e) != nil { // what the compiler says
			fmt.Fprintln(w, lines.Text())
			continue
		}
		r.take(e)
	}
	r.summary()
	return r.failed, lines.Err()
}

func (r *reporter) take(e event) {
	k := key{e.Package + e.ImportPath, e.Test}
	switch e.Action {
	case "output", "build-output":
		if !strings.HasPrefix(e.Output, "=== ") {
			if r.output[k] == nil {
				r.output[k] = &printed{}
			}
			r.output[k].add(e.Output)
		}
		return
	case "build-fail", "fail":
		r.failed = true
		if e.Test == "" {
			r.cutOff(k.pkg)
		}
		fmt.Fprint(r.w, strings.Join(r.output[k].lines(), ""))
	case "pass":
		if told.MatchString(e.Test) {
			for _, l := range r.output[k].lines() {
				if logged.MatchString(l) {
					fmt.Fprint(r.w, l)
				}
			}
		}
	case "skip":
		if e.Test != "" {
			r.skipped = append(r.skipped, fmt.Sprintf("%s: %s", e.Test, reason(r.output[k].lines())))
		}
	default:
		return
	}
	r.count(k, e)
	delete(r.output, k)
}

// cutOff says what a panic or the time limit ended: it has no result of its own.
func (r *reporter) cutOff(pkg string) {
	byTest := func(a, b key) int { return strings.Compare(a.test, b.test) }
	for _, k := range slices.SortedFunc(maps.Keys(r.output), byTest) {
		if k.pkg == pkg && k.test != "" {
			fmt.Fprintf(r.w, "--- %s did not end\n%s", k.test, strings.Join(r.output[k].lines(), ""))
			delete(r.output, k)
		}
	}
}

// reason is what a skipped test said.
func reason(output []string) string {
	for _, l := range output {
		if logged.MatchString(l) {
			return strings.TrimSpace(logged.ReplaceAllString(l, ""))
		}
	}
	return "no reason given"
}

func (r *reporter) count(k key, e event) {
	t := r.tallies[k.pkg]
	if t == nil {
		t = &tally{name: k.pkg}
		r.tallies[k.pkg] = t
	}
	switch {
	case k.test == "":
		t.seconds += e.Elapsed
		for _, l := range r.output[k].lines() {
			if m := covered.FindStringSubmatch(l); m != nil {
				t.coverage = m[1] + " %"
			}
		}
		return
	case strings.Contains(k.test, "/"):
		return
	case e.Action == "pass":
		t.passed++
	case e.Action == "skip":
		t.skipped++
	default:
		t.failed++
	}
	r.slow = append(r.slow, slow{k, e.Elapsed})
}

func (r *reporter) summary() {
	slices.SortFunc(r.slow, func(a, b slow) int { return cmp.Compare(b.seconds, a.seconds) })
	var all tally
	for _, name := range slices.Sorted(maps.Keys(r.tallies)) {
		t := r.tallies[name]
		all.passed, all.failed, all.skipped = all.passed+t.passed, all.failed+t.failed, all.skipped+t.skipped
		if t.passed+t.failed+t.skipped > 0 {
			fmt.Fprintf(r.w, "%-40s %s\n", name, t.words())
		}
	}
	for _, s := range r.skipped {
		fmt.Fprintln(r.w, "Skipped:", s)
	}
	if len(r.slow) > 0 {
		fmt.Fprintln(r.w, "The slowest:")
	}
	for _, s := range r.slow[:min(10, len(r.slow))] {
		fmt.Fprintf(r.w, "%7.1f s  %s  %s\n", s.seconds, s.test, s.pkg)
	}
	fmt.Fprintf(r.w, "%d tests passed, %d failed, %d were skipped.\n", all.passed, all.failed, all.skipped)
}

func (t *tally) words() string {
	words := fmt.Sprintf("%4d passed %7.1f s", t.passed, t.seconds)
	if t.failed > 0 {
		words += fmt.Sprintf(", %d failed", t.failed)
	}
	if t.skipped > 0 {
		words += fmt.Sprintf(", %d skipped", t.skipped)
	}
	if t.coverage != "" {
		words += ", " + t.coverage + " covered"
	}
	return words
}
