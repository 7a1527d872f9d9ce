package api_test

import (
	"encoding/json"
	"io"
	"net/http"
	"net/url"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// twoActivities can be agreed to one by one; the second needs an adult.
const twoActivities = `{"schema": 3, "title": {"en": "Two short ones"}, "question": {"en": "What can you find?"},
	"age_band": "8-10", "way": "follow-along", "languages": ["en"], "trials": 1,
	"needs": [{"id": "bag", "name": {"en": "a paper bag"}, "kind": "object"},
		{"id": "scissors", "name": {"en": "scissors"}, "kind": "object"}],
	"activities": [{"id": "ties", "title": {"en": "Bag ties"}, "steps": ["tie"]},
		{"id": "strips", "title": {"en": "Paper strips"}, "steps": ["cut"]}],
	"steps": [{"id": "tie", "kind": "observe", "title": {"en": "Turn it over"}, "text": {"en": "Turn the bag over."},
			"duration": "2 min", "uses": ["bag"], "takes": [{"reading": "held"}]},
		{"id": "cut", "kind": "do", "title": {"en": "Cut it"}, "text": {"en": "Cut a sheet of paper into strips."},
			"duration": "2 min", "actions": ["cut"], "uses": ["scissors"], "takes": [{"reading": "straight"}]}],
	"readings": [{"id": "held", "kind": "yes-partly-no", "name": {"en": "it held"}},
		{"id": "straight", "kind": "yes-partly-no", "name": {"en": "it was straight"}}]}`

// withActivities is a school of one home that has the two of them.
func withActivities(t *testing.T) (*school, *client) {
	t.Helper()
	sc := newSite(t).school("t@school.example", "Fern")
	sc.experiment = want[app.DraftView](sc.teacher, "POST", "/experiments",
		map[string]any{"document": json.RawMessage(twoActivities)})
	sc.as = want[results.AssignmentView](sc.teacher, "POST", sc.path("/assignments"), map[string]any{
		"experiment": sc.experiment.ID, "opens_at": lesson.Add(-time.Hour), "due_at": lesson.Add(24 * time.Hour),
	})
	return sc, sc.phone("Fern")
}

// What a guardian did not agree to is not taken, not waited for and shown as such; it needs no
// adult's word; and it may be agreed to later.
func TestActivitiesAreAgreedToOneByOne(t *testing.T) {
	sc, fern := withActivities(t)
	s := fern.sheetOf(sc.as.ID.String())
	if len(s.Activities) != 2 || !s.Activities[1].Adult || s.Activities[0].Adult ||
		strings.Join(s.Activities[0].Needs, " ") != "bag" || s.Steps[1].Begins != "Paper strips" {
		t.Fatalf("%+v %+v", s.Activities, s.AdultJobs)
	}
	agree := map[string]any{"decision": "granted", "guardian": "A. Fernsby", "text_sha": s.Permission.TextSha}
	said := func(part map[string]any) map[string]any {
		out := map[string]any{}
		for _, m := range []map[string]any{agree, part} {
			for k, v := range m {
				out[k] = v
			}
		}
		return out
	}
	permission := sc.homePath(fern, "/permission")
	for _, bad := range []map[string]any{
		{},                                      // the second needs an adult, and nobody said so
		{"without": []string{"ties"}},           // the same
		{"without": []string{"ties", "strips"}}, // nothing is left to do
	} {
		if a := fern.do("POST", permission, said(bad)); a.status != 422 {
			t.Errorf("%v: %d %s", bad, a.status, a.body)
		}
	}
	p := want[sheets.PermissionView](fern, "POST", permission, said(map[string]any{"without": []string{"strips", "zz"}}))
	if p.State != "granted" || strings.Join(p.Without, " ") != "strips" {
		t.Fatalf("%+v", p)
	}
	reading := func(step, reading string) map[string]any {
		return map[string]any{"kind": "reading", "step": step, "reading": reading, "trial": 1,
			"value": map[string]string{"answer": "yes"}, "phone_time": lesson, "offset_ms": 0}
	}
	sc.put(fern, newID(), reading("tie", "held"))
	fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), reading("cut", "straight"), 403, "no-permission")
	fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), reading("", "straight"), 403, "no-permission")
	fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), reading("tie", "straight"), 403, "no-permission")
	sc.put(fern, newID(), map[string]any{"kind": "observation", "step": "cut", "text": "I watched.",
		"phone_time": lesson, "offset_ms": 0}) // words are everybody's
	row := sc.results().Homes[0]
	if strings.Join(row.Without, " ") != "Paper strips" || row.Steps != 1 || row.Cells[0].State != "value" ||
		row.Cells[1].State != "not-agreed" {
		t.Errorf("%+v", row)
	}
	want[sheets.PermissionView](fern, "POST", permission, said(map[string]any{"adult": true}))
	sc.put(fern, newID(), map[string]any{"kind": "adult", "step": "cut", "phone_time": lesson, "offset_ms": 0})
	late := reading("cut", "straight")
	late["phone_time"] = lesson.Add(time.Minute)
	sc.put(fern, newID(), late)
	if row := sc.results().Homes[0]; len(row.Without) != 0 || row.Steps != 2 || row.Cells[1].State != "value" {
		t.Errorf("%+v", row)
	}
}

// Without a script, too, a guardian agrees to each short activity by itself, and finds what
// was agreed to when the page is read again.
func TestActivitiesOnThePlainPage(t *testing.T) {
	sc, fern := withActivities(t)
	link := sc.links["Fern"].Link
	token := link[strings.LastIndexByte(link, '/')+1:]
	read := func(res *http.Response, err error) string {
		t.Helper()
		if err != nil || res.StatusCode != 200 {
			t.Fatalf("%v %v", res, err)
		}
		defer res.Body.Close()
		page, _ := io.ReadAll(res.Body)
		return string(page)
	}
	ticked := func(page, id string) bool { return strings.Contains(page, `name="doing" value="`+id+`" checked`) }
	page := read(http.Get(sc.URL + "/h/" + token + "?plain"))
	if !ticked(page, "ties") || !ticked(page, "strips") {
		t.Error("what nobody has answered yet is not offered whole")
	}
	page = read(http.PostForm(sc.URL+"/plain/permission", url.Values{
		"token": {token}, "assignment": {sc.as.ID.String()}, "decision": {"granted"}, "guardian": {"A. Fernsby"},
		"text_sha":   {fern.sheetOf(sc.as.ID.String()).Permission.TextSha},
		"activities": {"ties", "strips"}, "doing": {"ties"},
	}))
	if p := fern.sheetOf(sc.as.ID.String()).Permission; p.State != "granted" || strings.Join(p.Without, " ") != "strips" {
		t.Errorf("%+v", p)
	}
	if !ticked(page, "ties") || ticked(page, "strips") {
		t.Error("the page does not say what was agreed to")
	}
}
