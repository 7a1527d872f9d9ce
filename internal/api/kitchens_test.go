package api_test

import (
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/kitchens"
)

// A home says what its kitchen has, its teacher types in what another one told; the
// station plans the experiment for each. No home sees another's, and what a home said
// goes when it is erased.
func TestKitchensOfAClass(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern", "Tarn")
	fern := sc.phone("Fern")
	page := want[kitchens.Page](fern, "GET", fern.home+"/kitchen", nil)
	if len(page.Questions) == 0 || page.Answered {
		t.Fatalf("%+v", page)
	}
	first := page.Questions[0].ID // water
	want[api.Done](fern, "PUT", fern.home+"/kitchen", map[string]any{"things": map[string]string{first: "none"}})
	if page = want[kitchens.Page](fern, "GET", fern.home+"/kitchen", nil); !page.Answered ||
		page.Answers.Things[first] != "none" {
		t.Errorf("what was said is not there: %+v", page.Answers)
	}
	if a := fern.do("PUT", fern.home+"/kitchen", map[string]any{"things": map[string]string{first: "some"}}); a.status != 422 {
		t.Errorf("an answer that is none: %d %s", a.status, a.body)
	}
	var beck string
	for _, h := range sc.homes {
		if h.Nickname == "Beck" {
			beck = h.ID.String()
		}
	}
	want[api.Done](sc.teacher, "PUT", sc.path("/homes/"+beck+"/kitchen"), map[string]any{"things": map[string]string{},
		"otherwise": true})
	station := "/experiments/" + sc.experiment.ID.String() + "/kitchens?class=" + sc.class.ID.String()
	m := want[kitchens.Matrix](sc.teacher, "GET", station, nil)
	verdicts := map[string]string{}
	for _, h := range m.Homes {
		verdicts[h.Nickname] = h.Verdict
	}
	if verdicts["Beck"] != "shared-readings" || verdicts["Fern"] != "needs-a-kit" ||
		verdicts["Tarn"] != "as-designed" ||
		!strings.Contains(m.Says, "taken as usual") {
		t.Errorf("%v: %s", verdicts, m.Says)
	}
	if len(m.Packing) != 1 || m.Packing[0].Homes[0] != "Fern" || len(m.Helps) != 1 || m.Helps[0].Homes != 1 {
		t.Errorf("%+v %+v", m.Packing, m.Helps)
	}
	bare := want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]any{"document": map[string]any{
		"schema": 3, "title": map[string]string{"en": "Bare"}, "conditions": []any{}, "needs": []any{},
		"steps": []any{},
	}})
	if m := want[kitchens.Matrix](sc.teacher, "GET", "/experiments/"+bare.ID.String()+"/kitchens",
		nil); len(m.Homes) != 3 || len(m.Needs) != 0 {
		t.Errorf("an experiment made from nothing: %+v", m)
	}
	alone := sc.site.teacher("alone@school.example") // has no class yet
	own := want[app.DraftView](alone, "POST", "/experiments", map[string]string{"example": "thirsty-beans"})
	if m := want[kitchens.Matrix](alone, "GET", "/experiments/"+own.ID.String()+"/kitchens",
		nil); len(m.Classes)+len(m.Homes) != 0 {
		t.Errorf("%+v", m)
	}
	of := strings.TrimPrefix(fern.home, "/home/")
	want[api.Done](sc.teacher, "POST", sc.path("/homes/"+of+"/erase"), nil)
	kept, err := sc.app.Store.Kitchens(t.Context(), sc.class.ID)
	if err != nil || len(kept) != 1 || kept[0].HomeID.String() == of {
		t.Errorf("an erased home's kitchen is still there: %v %+v", err, kept)
	}
}
