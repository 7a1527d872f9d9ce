package quantity

import (
	"embed"
	"fmt"
	"math"
	"strconv"
	"strings"
	"testing"
)

//go:embed testdata/typed.*.txt
var corpora embed.FS

// What people type into fields, in each language; typed.en.aside.txt says how
// the lines are written. At least 95 in 100 texts are taken or asked rightly,
// and none is taken for another value than it says.
func TestCorpus(t *testing.T) {
	files, err := corpora.ReadDir("testdata")
	if err != nil {
		t.Fatal(err)
	}
	for _, file := range files {
		language := strings.Split(file.Name(), ".")[1]
		raw, _ := corpora.ReadFile("testdata/" + file.Name())
		var taken, asked, left, wrong, off, all int
		f := Field{}
		for i, line := range strings.Split(string(raw), "\n") {
			if line = strings.TrimSpace(line); line == "" || strings.HasPrefix(line, "#") {
				continue
			}
			if about, ok := strings.CutPrefix(line, "field: "); ok {
				words := strings.Fields(about)
				if f, ok = FieldFor(strings.Join(words[:len(words)-1], " "), language,
					System(words[len(words)-1])); !ok {
					t.Fatalf("%s:%d: no unit in %q", file.Name(), i+1, line)
				}
				continue
			}
			text, wanted := divideLine(line)
			all++
			got := ParseTyped(text, f)
			switch got.Kind {
			case Value, Bound:
				taken++
			case Question, Missing:
				asked++
			default:
				left++
			}
			if fault := misread(got, f, wanted); fault != "" {
				off++
				if got.Kind == Value || got.Kind == Bound {
					wrong++
				}
				t.Logf("%s:%d: %q in a field for %s: %s", file.Name(), i+1, text, f.Unit, fault)
			}
		}
		t.Logf(
			"%s: %d texts: %d taken, %d asked or not recorded, %d unread; %d not as wanted, %d silently wrong",
			file.Name(),
			all,
			taken,
			asked,
			left,
			off,
			wrong,
		)
		if wrong > 0 || off*20 > all {
			t.Errorf("%s: %d of %d are not read as they should, %d silently wrong", file.Name(), off, all, wrong)
		}
	}
}

// divideLine cuts a line of a corpus into the text and the answers that are right.
func divideLine(line string) (text string, wanted []string) {
	parts := strings.Split(line, " | ")
	at := -1
	for i := 0; i < len(parts[0])-1; i++ {
		if parts[0][i] == ' ' && strings.ContainsRune("=~<>?-!", rune(parts[0][i+1])) &&
			(i+2 == len(parts[0]) || parts[0][i+2] == ' ') {
			at = i
		}
	}
	return parts[0][:at], append([]string{parts[0][at+1:]}, parts[1:]...)
}

func misread(got Typed, f Field, wanted []string) string {
	var fault string
	for _, w := range wanted {
		if fault = differs(got, f, w); fault == "" {
			return ""
		}
	}
	return fault
}

func differs(got Typed, f Field, wanted string) string {
	kinds := map[byte]Kind{'=': Value, '~': Value, '<': Bound, '>': Bound, '?': Question, '-': Missing, '!': Unread}
	if got.Kind != kinds[wanted[0]] {
		return fmt.Sprintf(
			"is %s %v %s (%s %q), wanted %s",
			got.Kind,
			got.Value,
			got.Unit.Symbol,
			got.Code,
			got.Read,
			wanted,
		)
	}
	if got.Kind != Value && got.Kind != Bound {
		return ""
	}
	unit, _ := LookupUnit(f.Unit)
	in, err := got.Converted(unit)
	if err != nil {
		return err.Error()
	}
	low, high, isRange := strings.Cut(strings.TrimSpace(wanted[1:]), "..")
	a, _ := strconv.ParseFloat(low, 64)
	b, _ := strconv.ParseFloat(high, 64)
	close := func(x, y float64) bool { return math.Abs(x-y) <= 2e-5*math.Abs(y)+1e-9 }
	switch {
	case isRange && (!close(in.Low, a) || !close(in.High, b)):
		return fmt.Sprintf("lies between %v and %v, wanted %s", in.Low, in.High, wanted)
	case !isRange && !close(in.Value, a):
		return fmt.Sprintf("is %v, wanted %s", in.Value, wanted)
	case wanted[0] == '~' && !got.Approximate:
		return "is not about"
	case got.Kind == Bound && got.Below != (wanted[0] == '<'):
		return "is a bound on the other side"
	}
	return ""
}

// Whatever is typed: it never panics, is never lost, and a value is finite, keeps
// its ends in order, and is read as itself when it is typed again as it was
// understood.
func FuzzTyped(f *testing.F) {
	files, _ := corpora.ReadDir("testdata")
	for _, file := range files {
		raw, _ := corpora.ReadFile("testdata/" + file.Name())
		for i, line := range strings.Split(string(raw), "\n") {
			if i%7 == 0 {
				f.Add(line, uint8(i))
			}
		}
	}
	units := []string{"mm", "g", "°C", "s", "h", "mL", "tsp", "1", "%", "Hz", "drop", "g/mL", "V"}
	f.Fuzz(func(t *testing.T, text string, where uint8) {
		system := []System{US, Metric, UK, AU}[int(where)%4]
		language := []string{"en", "es", "fr"}[int(where)%3]
		field, _ := FieldFor(units[int(where)%len(units)], language, system)
		got := ParseTyped(text, field)
		if got.Text != text || got.Kind == "" || (got.Kind == Question || got.Kind == Unread) && got.Code == "" {
			t.Fatalf("%q: %+v", text, got)
		}
		if _, ok := Divide(text); !ok && !strings.Contains(text, ",") {
			t.Errorf("%q holds no comma and is asked", text)
		}
		if got.Kind != Value && got.Kind != Bound {
			return
		}
		if !got.Sound() || got.Low > got.High ||
			got.Kind == Value &&
				(got.Value < got.Low-1e-9*math.Abs(got.Low) || got.Value > got.High+1e-9*math.Abs(got.High)) {
			t.Fatalf("%q: %v from %v to %v", text, got.Value, got.Low, got.High)
		}
		symbol := got.Unit.Symbol
		if got.Unit == One {
			symbol = ""
		}
		if got.Kind == Value && !got.IsRange && !got.Approximate && got.Value >= 0 && got.Value < 1e6 &&
			got.Unit.Symbol != "vol" {
			again := ParseTyped(strconv.FormatFloat(got.Value, 'f', 6, 64)+" "+symbol, field)
			if again.Kind != Value || math.Abs(again.Value-got.Value) > 1e-6 && again.Unit == got.Unit {
				t.Errorf(
					"%q is %v %s, and that is read as %s %v %s",
					text,
					got.Value,
					got.Unit.Symbol,
					again.Kind,
					again.Value,
					again.Unit.Symbol,
				)
			}
		}
	})
}
