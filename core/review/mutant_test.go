package review_test

import (
	"encoding/json"
	"flag"
	"fmt"
	"math/rand/v2"
	"runtime"
	"slices"
	"strings"
	"syscall"
	"testing"
	"time"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/docs"
)

var mutants = flag.Int("mutants", 250, "how many designs are changed at random and judged")

// mutate changes one place of a document at random: takes it out, doubles an
// entry of a list many times, puts a wild value, or another example's part in.
func mutate(r *rand.Rand, v any, donor any) any {
	wild := []any{
		"",
		"6",
		"1e308 km",
		"-5 min",
		"\u0000",
		strings.Repeat("candle ", 40),
		1e9,
		-1,
		0.5,
		nil,
		true,
		[]any{},
		map[string]any{},
		"heat",
		"x$(",
		"99999999999999 h",
	}
	switch x := v.(type) {
	case map[string]any:
		keys := make([]string, 0, len(x))
		for k := range x {
			keys = append(keys, k)
		}
		slices.Sort(keys)
		if len(keys) == 0 {
			return x
		}
		k := keys[r.IntN(len(keys))]
		d, _ := donor.(map[string]any)
		switch n := r.IntN(10); {
		case n == 0:
			delete(x, k)
		case n == 1 && d[k] != nil:
			x[k] = d[k]
		default:
			x[k] = mutate(r, x[k], d[k])
		}
		return x
	case []any:
		if len(x) == 0 {
			if d, ok := donor.([]any); ok {
				return d
			}
			return x
		}
		i := r.IntN(len(x))
		switch r.IntN(6) {
		case 0: // many of one, each with an id of its own
			raw, _ := json.Marshal(x[i])
			for n := range []int{1, 10, 150, 190}[r.IntN(4)] {
				var again any
				_ = json.Unmarshal(raw, &again)
				if o, ok := again.(map[string]any); ok && o["id"] != nil {
					o["id"] = fmt.Sprintf("%v-%d", o["id"], n)
				}
				x = append(x, again)
			}
			return x
		case 1:
			return append(x[:i:i], x[i+1:]...)
		case 2:
			d, _ := donor.([]any)
			return append(x, d...)
		}
		d, _ := donor.([]any)
		var of any
		if len(d) > 0 {
			of = d[r.IntN(len(d))]
		}
		x[i] = mutate(r, x[i], of)
		return x
	case string:
		switch r.IntN(4) {
		case 0:
			ids, _ := safety.Actions()
			return ids[r.IntN(len(ids))]
		case 1:
			l := larder.Standard()
			return l.Materials[r.IntN(len(l.Materials))].ID
		}
		return wild[r.IntN(len(wild))]
	}
	return wild[r.IntN(len(wild))]
}

// quick is how long the margin may take after a key; code that counts what it
// covers is slower. Known once the tests run, not before.
func quick() time.Duration {
	if testing.CoverMode() != "" {
		return 600 * time.Millisecond
	}
	return 200 * time.Millisecond
}

// judged is how long a processor is busy with reading and judging a document, and
// whether it is read. What else the machine does meanwhile does not count.
func judged(raw []byte) (took time.Duration, read bool) {
	runtime.LockOSThread()
	defer runtime.UnlockOSThread()
	began := busy()
	d, err := design.Read(raw)
	if err == nil {
		review.Of(&d)
		safety.Facts(&d, d.Larder())
	}
	return busy() - began, err == nil
}

// busy is how long this thread has been busy since it began.
func busy() time.Duration {
	const thread = 1 // RUSAGE_THREAD of getrusage(2)
	var u syscall.Rusage
	if err := syscall.Getrusage(thread, &u); err != nil {
		panic(err)
	}
	return time.Duration(u.Utime.Nano() + u.Stime.Nano())
}

// Whatever stands in a document that is read at all, it is judged, in under
// 200 ms and 64 MB; the worst is printed.
func TestMutants(t *testing.T) {
	r := rand.New(rand.NewPCG(9, 2026))
	names := docs.Ready
	var slowest time.Duration
	var most uint64
	var worst, largest []byte
	read := 0
	for range *mutants {
		v := example(t, names[r.IntN(len(names))])
		for range 1 + r.IntN(12) {
			v = mutate(r, v, example(t, names[r.IntN(len(names))]))
		}
		raw, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		var before, after runtime.MemStats
		runtime.ReadMemStats(&before)
		took, readable := judged(raw)
		runtime.ReadMemStats(&after)
		if readable {
			read++
		}
		for try := 0; took > quick() && try < 4; try++ { // the machine may have been busy with something else
			again, _ := judged(raw)
			took = min(took, again)
		}
		if took > slowest {
			slowest, worst = took, raw
		}
		if used := after.TotalAlloc - before.TotalAlloc; used > most {
			most, largest = used, raw
		}
	}
	t.Logf("%d of %d are read; the slowest took %v, the largest %d MB", read, *mutants, slowest, most>>20)
	if read < *mutants/3 {
		t.Errorf("only %d are read: the changes are too wild", read)
	}
	if slowest > quick() {
		t.Errorf("%v: %.3000s", slowest, worst)
	}
	if most > 64<<20 {
		t.Errorf("%d MB: %.3000s", most>>20, largest)
	}
}

// A document that is read at all goes the whole way: lists, sheet, ways out,
// substitutes, a class's notebooks with anything typed into them, results and
// comparison. None of it fails, whatever stands in the document.
func TestMutantsGoTheWholeWay(t *testing.T) {
	if testing.Short() {
		t.Skip("changed designs are for the whole tier")
	}
	r := rand.New(rand.NewPCG(27, 11))
	names := docs.Ready
	typed := []string{
		"82 mm",
		"5.5",
		"",
		"about 7",
		"1e308 km",
		"-3 g",
		"2 to 3 cm",
		"up to the crease",
		"12,5 °C",
		"1 1/2 tsp",
		"0",
		"no",
		"99999999999 mm",
	}
	went := 0
	for range *mutants / 5 {
		v := example(t, names[r.IntN(len(names))])
		for range 1 + r.IntN(8) {
			v = mutate(r, v, example(t, names[r.IntN(len(names))]))
		}
		raw, err := json.Marshal(v)
		if err != nil {
			t.Fatal(err)
		}
		d, err := design.Read(raw)
		if err != nil {
			continue
		}
		went++
		func() {
			defer func() {
				if p := recover(); p != nil {
					t.Fatalf("%v with %.3000s", p, raw)
				}
			}()
			l := d.Larder()
			report := safety.Judge(&d, l, nil)
			fit.Materials(&d, report)
			safety.BriefingOf(&d, report)
			safety.AdultJobs(&d, report.Findings)
			for i, f := range report.Findings {
				if i == 5 {
					break
				}
				for _, w := range safety.Mends(&d, l, f) {
					if _, err := safety.Apply(&d, l, w.Change); err != nil {
						t.Fatalf("%+v: %v with %.3000s", w.Change, err, raw)
					}
				}
			}
			if len(d.Needs)*len(d.Steps) < 400 { // each need's ways are judged with all steps: minutes, for the largest
				_, _ = fit.Swaps(&d) // a thing that nobody knows is an error, not a fault
			}
			slots := d.Slots()
			var homes []compare.Home
			for h := range 7 {
				var entries []notebook.Entry
				for n := range min(60, 3*len(slots)) {
					e := notebook.Entry{
						ID:        fmt.Sprintf("%d-%d", h, n),
						Kind:      notebook.Reading,
						Slot:      slots[r.IntN(len(slots))],
						Typed:     typed[r.IntN(len(typed))],
						PhoneTime: time.Unix(int64(1e9+60*n), 0),
						Received:  time.Unix(int64(1e9+60*n), 0),
					}
					if notebook.Fits(&d, &e) == nil {
						entries = append(entries, e)
					}
				}
				book := notebook.Open(
					&d,
					entries,
					notebook.Writer{Language: []string{"en", "es"}[h%2], System: quantity.Metric},
					nil,
				)
				notebook.Derive(book)
				compare.Differences(book)
				homes = append(homes, compare.Home{Key: fmt.Sprint(h), Book: book})
			}
			compare.Class(&d, homes)
		}()
	}
	t.Logf("%d went the whole way", went)
	if went < *mutants/15 {
		t.Errorf("only %d went the whole way", went)
	}
}

// example is an example document as a tree.
func example(t *testing.T, name string) any {
	t.Helper()
	raw, err := docs.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	var v any
	if err := json.Unmarshal(raw, &v); err != nil {
		t.Fatal(err)
	}
	return v
}
