package compare

import (
	"fmt"
	"math"
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/text"
)

// What a teacher sorted is counted, the last time it was sorted; the interval is that of Clopper
// and Pearson for 12 of 15, 51.9 to 95.7 % (binom.test of R 4.3). What could not be told, and
// what is not sorted yet, is in no share.
func TestHeaps(t *testing.T) {
	d, err := design.Read([]byte(`{"schema": 3, "title": {"en": "Bags"}, "question": {"en": "Which?"},
		"age_band": "11-13", "way": "follow-along", "languages": ["en"], "trials": 1,
		"evidence": [{"id": "bag", "kind": "text", "name": {"en": "the bag"}}],
		"steps": [{"id": "s", "kind": "observe", "title": {"en": "Look"}, "evidence": ["bag"]}]}`))
	if err != nil {
		t.Fatal(err)
	}
	var homes []Home
	put := func(n int, heaps ...string) {
		for range n {
			h := len(homes)
			entries := []notebook.Entry{{ID: fmt.Sprint("o", h), Kind: notebook.Observation, Provenance: notebook.Own,
				Step: "s", Evidence: "bag", Text: "foggy", Received: time.Unix(1, 0)}}
			for i, heap := range heaps {
				e := notebook.Entry{ID: fmt.Sprint("h", h, i), Kind: notebook.Heaped, Provenance: notebook.Desk,
					Evidence: "bag", Choice: []string{heap}, Received: time.Unix(int64(2+i), 0)}
				if p := notebook.Fits(&d, &e); p != nil {
					t.Fatalf("%+v", p)
				}
				entries = append(entries, e)
			}
			homes = append(homes, Home{Key: fmt.Sprint(h), Book: notebook.Open(&d, entries, notebook.Writer{}, nil)})
		}
	}
	if got := HeapsOf(&d, homes); len(got) != 0 {
		t.Errorf("heaps without any: %+v", got)
	}
	put(11, "yes")
	put(1, "no", "yes") // sorted again
	put(3, "no")
	put(2, "cannot-tell")
	put(1, "yes", "none") // taken off again
	put(1)
	got := HeapsOf(&d, homes)
	if len(got) != 1 {
		t.Fatalf("%+v", got)
	}
	h := got[0]
	if h.Yes != 12 || h.No != 3 || h.CannotTell != 2 || h.Unsorted != 2 || math.Abs(h.Low-.519) > .001 ||
		math.Abs(h.High-.957) > .001 {
		t.Errorf("%+v", h)
	}
	if s := text.Render(h.Words("Ms Tarrant"), "en"); !strings.Contains(s, "52 to 96 %") ||
		!strings.Contains(s, "Sorted by Ms Tarrant") {
		t.Error(s)
	}
	bad := notebook.Entry{Kind: notebook.Heaped, Evidence: "bag", Choice: []string{"perhaps"}}
	if notebook.Fits(&d, &bad) == nil {
		t.Error("a heap that there is not is taken")
	}
}
