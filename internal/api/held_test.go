package api_test

import (
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/kitchens"
)

// A kitchen that changes changes its own plan alone, though another plan would be better for
// the class; planning again says what would change, changes nothing while it is only looked
// at, and then holds. What is issued is what was held.
func TestHeldPlans(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern")
	made := want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]string{"example": "sour-lemon"})
	at := "/experiments/" + made.ID.String() + "/kitchens"
	class := "?class=" + sc.class.ID.String()
	beck, fern := sc.phone("Beck"), sc.phone("Fern")
	supplies := want[kitchens.CellSupplies](sc.teacher, "GET", at+"/supplies"+class+"&need=soda&home="+
		strings.TrimPrefix(beck.home, "/home/"), nil)
	var others []string // that count in a group of their own, the one that is taken first
	for _, w := range supplies.Supplies {
		if use, _, _ := strings.Cut(w.Use, "/"); !w.Own && (w.Class == "separate" ||
			w.Class == "scales") && use == w.Use {
			others = append(others, use)
		}
	}
	if len(others) < 2 {
		t.Fatalf("the soda has %d supplies that count apart: %+v", len(others), supplies.Supplies)
	}
	want[api.Done](sc.teacher, "POST", sc.path("/experiments/"+made.ID.String()+"/ask"), nil)
	has := func(uses ...string) map[string]any {
		things := map[string]string{"baking-soda": "none"}
		for _, w := range supplies.Supplies {
			if !w.Own {
				use, _, _ := strings.Cut(w.Use, "/")
				things[use] = "none"
			}
		}
		for _, u := range uses {
			things[u] = "have"
		}
		return map[string]any{"things": things}
	}
	soda := func() map[string]string {
		out := map[string]string{}
		m := want[kitchens.Matrix](sc.teacher, "GET", at+class, nil)
		for _, h := range m.Homes {
			for i, n := range m.Needs {
				if n.Need == "soda" {
					out[h.Nickname], _, _ = strings.Cut(h.Cells[i].Use, "/")
				}
			}
		}
		return out
	}
	want[api.Done](beck, "PUT", beck.home+"/kitchen", has(others[0], others[1]))
	first := soda()["Beck"]
	second := others[0]
	if first == second {
		second = others[1]
	}
	want[api.Done](fern, "PUT", fern.home+"/kitchen", has(second))
	if got := soda(); got["Beck"] != first || got["Fern"] != second {
		t.Errorf("Beck had %s and has %s; Fern %s", first, got["Beck"], got["Fern"])
	}
	would := want[kitchens.Replanned](sc.teacher, "GET", at+"/again"+class, nil)
	if len(would.Changes) != 1 || would.Changes[0].Home != "Beck" || would.Changes[0].Was == would.Changes[0].Now {
		t.Errorf("%+v", would)
	}
	if got := soda(); got["Beck"] != first {
		t.Errorf("looking changed something: %v", got)
	}
	want[kitchens.Replanned](sc.teacher, "POST", at+"/again"+class, nil)
	if got := soda(); got["Beck"] != second || got["Fern"] != second {
		t.Errorf("planned again they have %v", got)
	}
	if again := want[kitchens.Replanned](sc.teacher, "GET", at+"/again"+class, nil); len(again.Changes) != 0 {
		t.Errorf("again: %+v", again)
	}
}
