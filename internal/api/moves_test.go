package api_test

import (
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/kitchens"
)

// A class is copied with its settings and without its homes; a home goes into it with what
// it said of its kitchen, under a new link, and leaves the first class unless it stays;
// several homes are changed at once, all or none. A stranger's class takes nobody.
func TestHomesMoveAndChangeTogether(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern", "Tarn")
	fern := sc.phone("Fern")
	want[api.Done](fern, "PUT", fern.home+"/kitchen", map[string]any{"things": map[string]string{"table-salt": "none"}})
	copied := want[app.ClassView](sc.teacher, "POST", sc.path("/copy"), map[string]string{"name": "8M"})
	if copied.Name != "8M" || copied.Homes != 0 || copied.EmergencyNumber != sc.class.EmergencyNumber ||
		copied.Zone != sc.class.Zone {
		t.Errorf("%+v", copied)
	}
	id := map[string]string{}
	for _, h := range sc.homes {
		id[h.Nickname] = h.ID.String()
	}
	there := "/classes/" + copied.ID.String()
	moved := want[app.HomeView](sc.teacher, "POST", sc.path("/homes/"+id["Fern"]+"/move"),
		map[string]any{"to": copied.ID, "stay": true})
	if moved.Nickname != "Fern" || moved.ID.String() == id["Fern"] {
		t.Errorf("%+v", moved)
	}
	var links []string
	for _, class := range []string{sc.path(""), there} {
		for _, i := range want[api.List[app.Invitation]](sc.teacher, "GET", class+"/invitations", nil).Items {
			if i.Nickname == "Fern" {
				links = append(links, i.Link)
			}
		}
	}
	if len(links) != 2 || links[0] == links[1] {
		t.Errorf("Fern's ways in are %v", links)
	}
	station := "/experiments/" + sc.experiment.ID.String() + "/kitchens?class=" + copied.ID.String()
	if m := want[kitchens.Matrix](sc.teacher, "GET", station, nil); len(m.Homes) != 1 ||
		m.Homes[0].Answers.Things["table-salt"] != "none" {
		t.Errorf("its kitchen did not come along: %+v", m.Homes)
	}
	if a := sc.teacher.do("POST", sc.path("/homes/"+id["Fern"]+"/move"),
		map[string]any{"to": copied.ID}); a.status != 422 || !strings.Contains(string(a.body), "nickname") {
		t.Errorf("a name that is there: %d %s", a.status, a.body)
	}
	want[app.HomeView](sc.teacher, "POST", sc.path("/homes/"+id["Tarn"]+"/move"), map[string]any{"to": copied.ID})
	if here := want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items; len(here) != 2 {
		t.Errorf("who left is still here: %+v", here)
	}
	want[api.Done](sc.teacher, "POST", sc.path("/homes/"+id["Tarn"]+"/restore"), nil)
	other := sc.site.school("u@school.example", "Wren")
	for _, to := range []string{other.class.ID.String(), sc.class.ID.String()} {
		if a := sc.teacher.do("POST", sc.path("/homes/"+id["Beck"]+"/move"),
			map[string]any{"to": to}); a.status != 422 {
			t.Errorf("a class that is not another of one's own: %d", a.status)
		}
	}

	change := func(body map[string]any) answer { return sc.teacher.do("POST", sc.path("/homes/change"), body) }
	both := []string{id["Beck"], id["Fern"]}
	if a := change(map[string]any{"homes": both, "change": "language", "language": "es"}); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	for _, h := range want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items {
		if spanish := h.Nickname != "Tarn"; spanish != (h.Language == "es") {
			t.Errorf("%s is written to in %s", h.Nickname, h.Language)
		}
	}
	stranger := other.homes[0].ID.String()
	if a := change(map[string]any{"homes": append(both, stranger), "change": "take-out"}); a.status != 404 {
		t.Errorf("a home of another class among them: %d", a.status)
	}
	if here := want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items; len(here) != 3 {
		t.Errorf("some were taken out: %+v", here)
	}
	for _, bad := range []map[string]any{
		{"homes": both, "change": "paint"}, {"homes": both, "change": "language", "language": "xx"},
		{"homes": []string{}, "change": "take-out"},
	} {
		if a := change(bad); a.status != 422 {
			t.Errorf("%v: %d", bad, a.status)
		}
	}
	before := sc.phone("Beck")
	if a := change(map[string]any{"homes": both, "change": "new-links"}); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if a := before.do("GET", before.home, nil); a.status == 200 {
		t.Error("an old way in still opens")
	}
	if a := change(map[string]any{"homes": both, "change": "take-out"}); a.status != 200 {
		t.Fatalf("%d %s", a.status, a.body)
	}
	if here := want[api.List[app.HomeView]](sc.teacher, "GET", sc.path("/homes"), nil).Items; len(here) != 1 {
		t.Errorf("%+v", here)
	}
}
