package api_test

import (
	"encoding/json"
	"io"
	"net/http"
	"slices"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// foam is never for homes; its doing words are odd enough to be found.
const foam = `{"schema": 2, "title": {"en": "A tower of foam", "es": "Una torre de espuma"},
	"question": {"en": "Does it rise faster when warm?", "es": "¿Sube más rápido en caliente?"},
 "age_band": "11-13", "place": {"en": "zzplace"}, "way": "watch-shared", "languages": ["en", "es"], "trials": 1,
 	"changed": {"name": {"en": "how warm"}},
 "conditions": [{"id": "cold", "name": {"en": "cold", "es": "frío"}, "description": {"en": "zzdescription"}},
 	{"id": "warm", "name": {"en": "warm", "es": "caliente"}}],
 "needs": [{"id": "zzneed", "name": {"en": "zzname"}, "kind": "material", "role": "oxygen-releaser",
 	"material": "peroxide-6", "strength": {"value": 6, "basis": "w/v"}, "amount": "417 mL",
 	"instead": [{"en": "zzinstead"}], "note": {"en": "zznote"}}],
 "steps": [{"id": "zzstep", "kind": "do", "title": {"en": "zztitle"}, "text": {"en": "zztext"}, "see": {"en": "zzsee"},
 	"adult_note": {"en": "zzadult"}, "meanwhile": {"en": "zzmeanwhile"}, "duration": "17 min",
 	"actions": ["knife", "pour"], "uses": ["zzneed"],
  "takes": [{"reading": "zzheight"}], "evidence": ["zzphoto"]}],
 "readings": [{"id": "zzheight", "symbol": "h", "name": {"en": "height", "es": "altura"}, "unit": "mm",
 	"per_condition": true, "guidance": {"en": "zzguidance"},
 	"instruments": [{"id": "zztool", "name": {"en": "zztoolname"}, "resolution": "1 mm"}]}],
 "derived": [{"id": "top", "name": {"en": "top", "es": "cima"}, "formula": "h", "unit": "mm"}],
 "evidence": [{"id": "zzphoto", "kind": "photo", "name": {"en": "zzpicture"}, "must_show": {"en": "zzshow"}}],
 "questions": [{"id": "guess", "when": "before", "kind": "choice",
 	"text": {"en": "Which wins?", "es": "¿Cuál gana?"}}, {"id": "why", "when": "after", "kind": "text",
 	"text": {"en": "Why?", "es": "¿Por qué?"}}],
 "mistakes": [{"see": {"en": "zzmistake"}, "mend": {"en": "zzmend"}}],
 "cautions": [{"id": "own", "step": "zzstep", "verdict": "adult-does", "why": {"en": "zzwhy"}, "do": {"en": "zzdo"}}]}`

// A home that can only watch gets nothing by which it could do the work, on
// the phone, in the plain page, on paper; and can write no reading.
func TestWatchOnly(t *testing.T) {
	site := newSite(t)
	sc := site.school("t@school.example", "Fern", "Beck")
	var doc json.RawMessage = []byte(foam)
	sc.experiment = want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]any{"document": doc})
	sc.as = want[results.AssignmentView](
		sc.teacher,
		"POST",
		sc.path("/assignments"),
		map[string]any{
			"experiment": sc.experiment.ID,
			"opens_at":   lesson.Add(-time.Hour),
			"due_at":     lesson.Add(24 * time.Hour),
		},
	)
	fern := sc.phone("Fern")
	want[api.Done](fern, "PUT", fern.home+"/language", map[string]string{"language": "es"})
	want[entries.EntryView](
		sc.teacher,
		"PUT",
		sc.asPath("/shared/"+newID()),
		map[string]any{
			"kind":       "reading",
			"reading":    "zzheight",
			"condition":  "warm",
			"trial":      1,
			"typed":      "212.5 mm",
			"phone_time": lesson,
			"offset_ms":  0,
		},
	)

	seen := func(what string, a answer) string {
		t.Helper()
		if a.status != http.StatusOK {
			t.Fatalf("%s: %d %s", what, a.status, a.body)
		}
		return string(a.body)
	}
	var bundle struct{ Sheets []json.RawMessage }
	if err := json.Unmarshal(fern.do("GET", fern.home, nil).body, &bundle); err != nil || len(bundle.Sheets) != 2 {
		t.Fatal(err, len(bundle.Sheets))
	}
	sheet := string(bundle.Sheets[0])
	if !strings.Contains(sheet, "espuma") {
		sheet = string(bundle.Sheets[1])
	}
	_, token, _ := strings.Cut(sc.links["Fern"].Link, "/h/")
	reply, err := http.Get(site.URL + "/h/" + token + "?plain")
	if err != nil {
		t.Fatal(err)
	}
	defer reply.Body.Close()
	whole, _ := io.ReadAll(reply.Body)
	plain := string(whole)
	if i := strings.Index(plain, "Una torre de espuma"); i >= 0 {
		plain, _, _ = strings.Cut(plain[i:], "<h1>") // the other experiment of this class is one to do
	}
	paper := seen("paper", fern.do("GET", sc.homePath(fern, "/print/watch"), nil))
	draft := seen(
		"the draft's paper",
		sc.teacher.do(
			"GET",
			"/print/classes/"+sc.class.ID.String()+"/experiments/"+sc.experiment.ID.String()+"/watch?language=es",
			nil,
		),
	)
	result := seen("result", fern.do("GET", sc.homePath(fern, "/result"), nil))
	for what, page := range map[string]string{"bundle": sheet, "plain page": plain, "paper": paper,
		"draft's paper": draft, "result": result} {
		for _, word := range []string{"zz", "417", "peroxide", "6 %", "17 min", "knife", "cuchillo",
			"/plain/permission"} {
			if i := strings.Index(page, word); i >= 0 {
				t.Errorf("%s holds %q: …%s", what, word, page[max(0, i-60):min(len(page), i+60)])
			}
		}
		if what != "result" &&
			(!strings.Contains(page, "No lo hagan en casa") || !strings.Contains(page, "Una torre de espuma")) {
			t.Errorf("%s does not say what it is", what)
		}
	}
	// Typed 212.5 by a teacher who writes points: read so for a home with commas.
	if !strings.Contains(sheet, "212,5\u00a0mm") || !strings.Contains(plain, "212,5") ||
		!strings.Contains(result, "212") {
		t.Errorf("the shared reading is missing: %s\n%s", plain, result)
	}
	for _, s := range []string{"safety", "materials", "swaps", "demonstration"} {
		if a := fern.do("GET", sc.homePath(fern, "/print/"+s), nil); a.status < 400 {
			t.Errorf("a home prints the sheet %s", s)
		}
	}
	mine := seen(
		"demonstration",
		sc.teacher.do(
			"GET",
			"/print/classes/"+sc.class.ID.String()+"/experiments/"+sc.experiment.ID.String()+"/demonstration",
			nil,
		),
	)
	for _, word := range []string{"zzname", "417", "zztext", "not for homes"} {
		if !strings.Contains(mine, word) {
			t.Errorf("the teacher's page lacks %q", word)
		}
	}

	at := map[string]any{"phone_time": lesson, "offset_ms": 0}
	entry := func(more map[string]any) map[string]any {
		for k, v := range at {
			more[k] = v
		}
		return more
	}
	slot := map[string]any{"reading": "zzheight", "condition": "warm", "trial": 1}
	for _, e := range []map[string]any{
		entry(map[string]any{"kind": "reading", "typed": "5 mm", "reading": slot["reading"], "condition": "warm",
			"trial": 1}),
		entry(map[string]any{"kind": "not-read", "reason": "forgot", "reading": slot["reading"], "condition": "warm",
			"trial": 1}),
		entry(map[string]any{"kind": "step-done", "step": "zzstep"}),
		entry(map[string]any{"kind": "adult", "step": "zzstep"}),
		entry(map[string]any{"kind": "tick", "refers": "zzneed"}),
		entry(map[string]any{"kind": "photo", "evidence": "zzphoto", "refers": newID()}),
		entry(map[string]any{"kind": "spoiled", "refers": newID(), "reason": "spilled"}),
	} {
		fern.refused("PUT", sc.homePath(fern, "/entries/"+newID()), e, 403, "watch-only")
	}
	fern.refused("PUT", sc.homePath(fern, "/photos/"+newID()), jpegOf(30, 20), 403, "watch-only")
	fern.refused(
		"POST",
		sc.homePath(fern, "/permission"),
		map[string]any{"decision": "granted", "guardian": "A. Fernsby", "text_sha": ""},
		403,
		"watch-only",
	)
	want[entries.EntryView](
		fern,
		"PUT",
		sc.homePath(fern, "/entries/"+newID()),
		entry(map[string]any{"kind": "answer", "question": "guess", "choice": []string{"warm"}}),
	)
	want[entries.EntryView](fern, "PUT", sc.homePath(fern, "/entries/"+newID()), entry(map[string]any{"kind": "sent"}))
	r := sc.results()
	for _, h := range r.Homes {
		if want := map[string]string{"Fern": "sent", "Beck": "not-opened"}[h.Nickname]; h.State != want ||
			h.Permission != "watching" {
			t.Errorf("%s: %s, %s", h.Nickname, h.State, h.Permission)
		}
	}
	// The experiment that homes do has no sheet for watching.
	if a := fern.do("GET", fern.home+"/assignments/"+firstOther(fern, sc.as.ID.String())+"/print/watch",
		nil); a.status < 400 {
		t.Errorf("%d", a.status)
	}
}

// The server holds the adult's word: a reading at a step that needs an adult
// is kept, and counted once an adult said to be there or the teacher says why.
func TestTheAdultsWordIsHeld(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	doc := sc.experiment.Document
	doc = []byte(
		strings.Replace(
			string(doc),
			`"age_band"`,
			`"cautions": [{"id": "own", "step": "read-8", "verdict": "adult-near", "why": {"en": "The dish is heavy.", "es": "El plato pesa."}, "do": {"en": "An adult holds it.", "es": "Una persona adulta lo sujeta."}}], "age_band"`,
			1,
		),
	)
	sc.experiment = want[app.DraftView](
		sc.teacher,
		"POST",
		"/experiments",
		map[string]any{"document": json.RawMessage(doc)},
	)
	sc.as = want[results.AssignmentView](
		sc.teacher,
		"POST",
		sc.path("/assignments"),
		map[string]any{
			"experiment": sc.experiment.ID,
			"opens_at":   lesson.Add(-time.Hour),
			"due_at":     lesson.Add(24 * time.Hour),
		},
	)
	for _, name := range []string{"Fern", "Beck"} {
		p := sc.phone(name)
		sha := ""
		for _, s := range want[app.Bundle](p, "GET", p.home, nil).Sheets {
			if s.Assignment == sc.as.ID {
				sha = s.Permission.TextSha
			}
		}
		want[sheets.PermissionView](
			p,
			"POST",
			sc.homePath(p, "/permission"),
			map[string]any{"decision": "granted", "guardian": "A. Fernsby", "adult": true, "text_sha": sha},
		)
		if name == "Beck" {
			sc.put(p, newID(), map[string]any{"kind": "adult", "step": "read-8", "phone_time": lesson, "offset_ms": 0})
		}
		sc.put(p, newID(), reading("towel", "8 min", "50 mm"))
		sc.put(p, newID(), map[string]any{"kind": "step-done", "step": "pour", "phone_time": lesson, "offset_ms": 0})
		p.refused(
			"PUT",
			sc.homePath(p, "/entries/"+newID()),
			map[string]any{
				"kind":       "vouched",
				"step":       "read-8",
				"reason":     "we were all there, honestly",
				"phone_time": lesson,
				"offset_ms":  0,
			},
			403,
			"no-permission",
		)
	}
	r := sc.results()
	fern := r.Homes[slices.IndexFunc(r.Homes, func(h results.HomeResult) bool { return h.Nickname == "Fern" })]
	cell := slices.IndexFunc(fern.Cells, func(c results.CellView) bool { return c.State == "adult-not-said" })
	if r.Counted != 1 || len(fern.Held) != 1 || cell < 0 || !strings.HasPrefix(fern.Cells[cell].Text, "50") ||
		fern.Cells[cell].Value != nil {
		t.Fatalf("counted %d, %+v", r.Counted, fern)
	}
	csv := string(sc.teacher.do("GET", sc.asPath("/export.csv"), nil).body)
	if !strings.Contains(csv, "adult-not-said") {
		t.Errorf("%s", csv)
	}
	book := sc.asPath("/notebooks/" + fern.Home.String())
	nb := want[results.NotebookView](sc.teacher, "GET", book, nil)
	if len(nb.Held) != 1 || nb.Held[0].ID != "read-8" {
		t.Errorf("%+v", nb.Held)
	}
	sc.teacher.refused(
		"POST",
		book+"/desk",
		map[string]string{"kind": "vouched", "step": "read-8", "reason": "fine"},
		422,
		"invalid",
	)
	sc.teacher.refused(
		"POST",
		book+"/desk",
		map[string]string{"kind": "vouched", "step": "pour", "reason": "Grandma told me that she was there"},
		422,
		"invalid",
	)
	want[api.Done](
		sc.teacher,
		"POST",
		book+"/desk",
		map[string]string{"kind": "vouched", "step": "read-8", "reason": "Grandma told me that she was there"},
	)
	if r := sc.results(); r.Counted != 2 {
		t.Errorf("counted %d", r.Counted)
	}
	if nb := want[results.NotebookView](sc.teacher, "GET", book, nil); len(nb.Held) != 0 ||
		nb.Lines[len(nb.Lines)-1].Provenance != "desk" {
		t.Errorf("%+v", nb)
	}
}

func firstOther(c *client, not string) string {
	for _, s := range want[app.Bundle](c, "GET", c.home, nil).Sheets {
		if s.Assignment.String() != not {
			return s.Assignment.String()
		}
	}
	return ""
}
