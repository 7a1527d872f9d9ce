package api_test

import (
	"encoding/json"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/sheets"
	"patient-kitchen/internal/view/shelves"
)

func TestTheLarder(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	v := want[shelves.LarderView](teacher, "GET", "/larder", nil)
	if len(v.Things) != 825 || len(v.Jobs) != 91 || len(v.Swaps) != 357 || len(v.Never) < 20 || len(v.Results) < 40 {
		t.Errorf("%d things, %d jobs, %d swaps", len(v.Things), len(v.Jobs), len(v.Swaps))
	}
	card := want[shelves.ThingCard](teacher, "GET", "/larder/things/vinegar-white", nil)
	if card.Name != "white vinegar" || len(card.Instead) < 10 || card.Bands[0].Verdict != "care" ||
		!strings.Contains(card.Figures[0].Text, "meq/mL") {
		t.Errorf("%+v", card)
	}
	if spanish := want[shelves.ThingCard](teacher, "GET", "/larder/things/bleach", nil, "Accept-Language",
		"es"); spanish.Name != "lejía" ||
		spanish.Bands[3].Verdict != "not-at-home" {
		t.Errorf("%+v", spanish)
	}
	teacher.refused("GET", "/larder/things/nectar", nil, 404, "not-found")
	if f := want[shelves.LarderFound](teacher, "GET", "/larder/find?q=soda", nil); len(f.Asks) != 1 ||
		len(f.Asks[0].Choices) != 4 {
		t.Errorf("%+v", f)
	}
	if f := want[shelves.LarderFound](teacher, "GET", "/larder/find?q=bakking+soda", nil); len(f.Things) != 0 ||
		len(f.Nearest) == 0 {
		t.Errorf("%+v", f)
	}
}

// A school's own things: added, corrected, out and in as files, taken out; and
// never another teacher's.
func TestOwnThings(t *testing.T) {
	s := newSite(t)
	teacher, other := s.teacher("t@school.example"), s.teacher("u@school.example")
	soap := map[string]any{
		"name":    map[string]string{"en": "school soap"},
		"roles":   []string{"surfactant"},
		"hazards": []string{"slip", "irritant"},
	}
	want[api.Done](teacher, "PUT", "/larder/own/school-soap", map[string]any{"material": soap})
	card := want[shelves.ThingCard](teacher, "GET", "/larder/things/school-soap", nil)
	if !card.Own || card.Shelf != "own" || len(card.Hazards) == 0 {
		t.Errorf("%+v", card)
	}
	other.refused("GET", "/larder/things/school-soap", nil, 404, "not-found")
	// A known thing keeps its hazards whatever the entry says.
	want[api.Done](
		teacher,
		"PUT",
		"/larder/own/bleach",
		map[string]any{"material": map[string]any{"name": map[string]string{"en": "our bleach"}}},
	)
	if b := want[shelves.ThingCard](teacher, "GET", "/larder/things/bleach", nil); !b.Refused ||
		b.Bands[3].Verdict != "not-at-home" {
		t.Errorf("%+v", b)
	}
	for _, bad := range []map[string]any{{}, {"name": map[string]string{"en": "x"}, "hazards": []string{"naughty"}},
		{"name": map[string]string{"en": "x"}, "hazrds": []string{"slip"}}} {
		teacher.refused("PUT", "/larder/own/thing-x", map[string]any{"material": bad}, 422, "invalid")
	}
	teacher.refused("PUT", "/larder/own/Thing", map[string]any{"material": soap}, 422, "invalid")
	file := string(teacher.do("GET", "/larder/own.csv", nil).body)
	if !strings.Contains(file, "school-soap") || !strings.Contains(file, "our bleach") {
		t.Errorf("%s", file)
	}
	if n := want[api.Counted](other, "POST", "/larder/own", map[string]any{"file": file}); n.Count != 2 {
		t.Errorf("%+v", n)
	}
	if n := want[api.Counted](other, "POST", "/larder/own",
		map[string]any{"file": string(teacher.do("GET", "/larder/own.json", nil).body)}); n.Count != 2 {
		t.Errorf("%+v", n)
	}
	other.refused("POST", "/larder/own", map[string]any{"file": "id,nonsense\nx,y"}, 422, "invalid")
	other.refused("POST", "/larder/own", map[string]any{"file": "[]"}, 422, "invalid")
	// A swap of the school's own, which goes with a design that uses the thing.
	swap := map[string]any{
		"role":    "surfactant",
		"results": []string{"any"},
		"from":    map[string]any{"text": "", "materials": []string{"dish-soap"}},
		"to":      map[string]any{"text": "", "materials": []string{"school-soap"}},
		"basis":   "equal-volume",
		"class":   "separate",
		"effect":  "less foam",
	}
	want[api.Done](teacher, "PUT", "/larder/own-swaps/soap-for-soap", map[string]any{"swap": swap})
	if card := want[shelves.ThingCard](teacher, "GET", "/larder/things/dish-soap", nil); !slices.ContainsFunc(
		card.Instead,
		func(r shelves.SwapRow) bool { return r.Own && r.To == "school soap" },
	) {
		t.Errorf("%+v", card.Instead)
	}
	// The same swap out as a table, and in with its words and basis left out.
	swaps := string(teacher.do("GET", "/larder/own-swaps.csv", nil).body)
	if !strings.Contains(swaps, "soap-for-soap,surfactant,any,dish-soap,,,school-soap") {
		t.Errorf("%s", swaps)
	}
	if n := want[api.Counted](other, "POST", "/larder/own", map[string]any{"file": swaps}); n.Count != 1 {
		t.Errorf("%+v", n)
	}
	want[api.Counted](
		other,
		"POST",
		"/larder/own",
		map[string]any{
			"file": "id,role,results,from,to,class\nmore-soap,surfactant,any,dish-soap,school-soap,separate\n",
		},
	)
	if card := want[shelves.ThingCard](other, "GET", "/larder/things/school-soap", nil); len(card.Serves) != 2 {
		t.Errorf("%+v", card)
	}
	other.refused(
		"POST",
		"/larder/own",
		map[string]any{"file": "id,role,results,from,to,class\nx,surfactant,any,dish-soap,moon-soap,separate\n"},
		422,
		"invalid",
	)
	doc := map[string]any{
		"schema":    2,
		"title":     map[string]string{"en": "x"},
		"languages": []string{"en"},
		"needs":     []any{map[string]any{"id": "soap", "name": map[string]string{}}},
	}
	m := want[drafts.Mended](
		teacher,
		"POST",
		"/preview/choose",
		map[string]any{"document": doc, "need": "soap", "thing": "dish-soap"},
	)
	for _, says := range []string{`"soap-for-soap"`, `"school-soap"`, `"surfactant"`} {
		if !strings.Contains(string(m.Document), says) {
			t.Errorf("the document lacks %s: %s", says, m.Document)
		}
	}
	if rows := want[api.List[sheets.SheetSwap]](teacher, "POST", "/preview/swaps",
		map[string]any{"document": m.Document, "need": "soap"}).Items; !slices.ContainsFunc(
		rows,
		func(r sheets.SheetSwap) bool { return r.Name == "school soap" && r.Effect == "less foam" },
	) {
		t.Errorf("%+v", rows)
	}
	teacher.refused(
		"POST",
		"/preview/choose",
		map[string]any{"document": doc, "need": "soap", "thing": "nectar"},
		404,
		"not-found",
	)
	for field, bad := range map[string]any{"class": "best", "basis": "luck", "role": "king",
		"to": map[string]any{"text": "", "materials": []string{"bleach"}}, "from": map[string]any{"text": ""}} {
		broken := map[string]any{}
		for k, v := range swap {
			broken[k] = v
		}
		broken[field] = bad
		teacher.refused("PUT", "/larder/own-swaps/soap-x", map[string]any{"swap": broken}, 422, "invalid")
	}
	teacher.refused("DELETE", "/larder/own/school-soap", nil, 409, "in-use")
	want[api.Done](teacher, "DELETE", "/larder/own-swaps/soap-for-soap", nil)
	teacher.refused("DELETE", "/larder/own-swaps/soap-for-soap", nil, 404, "not-found")
	want[api.Done](teacher, "DELETE", "/larder/own/school-soap", nil)
	teacher.refused("DELETE", "/larder/own/school-soap", nil, 404, "not-found")
	if v := want[shelves.LarderView](teacher, "GET", "/larder", nil); v.Own != 1 {
		t.Errorf("%d own things", v.Own)
	}
}

func exampleDoc(t *testing.T, name string) map[string]any {
	t.Helper()
	raw, err := drafts.Example(name)
	if err != nil {
		t.Fatal(err)
	}
	var doc map[string]any
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	return doc
}

// A design in which a lid is screwed on a fizz: the finding says so, one click
// opens the vessel, and then it can be issued.
// Own entries that a new version of the larder no longer takes are left out,
// which is said, and can be taken out one by one.
func TestOwnEntriesThatNoLongerFit(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	soap := map[string]any{"name": map[string]string{"en": "school soap"}, "roles": []string{"surfactant"}}
	want[api.Done](teacher, "PUT", "/larder/own/school-soap", map[string]any{"material": soap})
	if v := want[shelves.LarderView](teacher, "GET", "/larder", nil); v.OwnProblem != nil || v.Own != 1 {
		t.Errorf("%+v", v.OwnProblem)
	}
	for kind, body := range map[string]string{"thing": `{"id":"old-job","name":{"en":"old"},"roles":["job-of-old"]}`,
		"swap": `{"id":"old-swap","role":"surfactant"}`} {
		if _, err := s.app.Store.Pool().Exec(t.Context(), `INSERT INTO own_entry SELECT teacher_id, $1, $2, $3,
			updated_at FROM own_entry WHERE id = 'school-soap'`, kind,
			map[string]string{"thing": "old-job", "swap": "old-swap"}[kind], []byte(body)); err != nil {
			t.Fatal(err)
		}
	}
	v := want[shelves.LarderView](teacher, "GET", "/larder", nil)
	if v.OwnProblem == nil || v.OwnProblem.Kind != "thing" || v.OwnProblem.ID != "old-job" ||
		!strings.Contains(v.OwnProblem.Words, "job-of-old") {
		t.Fatalf("%+v", v.OwnProblem)
	}
	teacher.refused("GET", "/larder/things/school-soap", nil, 404, "not-found")
	want[api.Done](teacher, "DELETE", "/larder/own/old-job", nil)
	if v := want[shelves.LarderView](teacher, "GET", "/larder", nil); v.OwnProblem == nil ||
		v.OwnProblem.Kind != "swap" {
		t.Fatalf("%+v", v.OwnProblem)
	}
	want[api.Done](teacher, "DELETE", "/larder/own-swaps/old-swap", nil)
	if card := want[shelves.ThingCard](teacher, "GET", "/larder/things/school-soap", nil); !card.Own {
		t.Errorf("%+v", card)
	}
}

func TestMendsCarryThemselvesOut(t *testing.T) {
	s := newSite(t)
	teacher := s.teacher("t@school.example")
	doc := exampleDoc(t, "sour-lemon")
	step := doc["steps"].([]any)[3].(map[string]any)
	step["closed"] = true
	r := want[drafts.ReviewView](teacher, "POST", "/preview/review", map[string]any{"document": doc})
	if r.Issuable || r.Safety[0].Rule != "gas-rigid-closed" || !r.Safety[0].Absolute || len(r.Safety[0].Mends) < 2 ||
		r.Safety[0].CanLower {
		t.Fatalf("%+v", r.Safety[0])
	}
	m := want[drafts.Mended](
		teacher,
		"POST",
		"/preview/mend",
		map[string]any{"document": doc, "change": r.Safety[0].Mends[0].Change},
	)
	if !m.Review.Issuable {
		t.Errorf("after %+v: %+v", r.Safety[0].Mends[0].Change, m.Review.Safety)
	}
	teacher.refused("POST", "/preview/mend",
		map[string]any{"document": doc, "change": map[string]any{"kind": "open", "step": "nothing"}}, 409, "way-gone")
	teacher.refused(
		"POST",
		"/preview/mend",
		map[string]any{"document": map[string]any{"schema": 99}, "change": map[string]any{"kind": "watch"}},
		422,
		"invalid",
	)
	spanish := want[drafts.ReviewView](
		teacher,
		"POST",
		"/preview/review",
		map[string]any{"document": doc},
		"Accept-Language",
		"es",
	)
	if !strings.HasPrefix(spanish.Guardian.AdultJobs[0].Why, "Un cuchillo") {
		t.Errorf("%+v", spanish.Guardian.AdultJobs)
	}
	subs := want[api.List[sheets.SheetSwap]](
		teacher,
		"POST",
		"/preview/swaps",
		map[string]any{"document": doc, "need": "soda"},
	).Items
	i := slices.IndexFunc(subs, func(r sheets.SheetSwap) bool { return strings.HasPrefix(r.Name, "eggshell") })
	if i < 0 || subs[i].Class != "separate" || !strings.Contains(subs[i].Amount, "25") {
		t.Errorf("%+v", subs)
	}
	teacher.refused("POST", "/preview/swaps", map[string]any{"document": doc, "need": "gold"}, 404, "not-found")
}

// The sheets for paper: in both languages, with both numbers, only to those
// whose they are.
func TestSheetsForPaper(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern", "Beck")
	fern, beck := sc.phone("Fern"), sc.phone("Beck")
	get := func(c *client, path string) (int, string) {
		a := c.do("GET", path, nil)
		return a.status, string(a.body)
	}
	draft := "/print/classes/" + sc.class.ID.String() + "/experiments/" + sc.experiment.ID.String() + "/"
	for _, c := range []struct{ path, says string }{
		{draft + "safety", "Stop if"}, {draft + "safety?language=es", "Parar si"},
		{draft + "materials", "cold tap water"}, {draft + "materials?language=es", "agua fría de la llave"},
		{draft + "swaps", "Instead of"}, {draft + "swaps?language=es", "En lugar de"},
	} {
		status, page := get(sc.teacher, c.path)
		if status != 200 || !strings.Contains(page, c.says) || !strings.Contains(page, "0555 010 010") ||
			strings.Contains(page, "[safety.") {
			t.Errorf("%s: %d %.400s", c.path, status, page)
		}
	}
	for _, path := range []string{draft + "poem", draft + "safety?language=xx"} {
		if status, _ := get(sc.teacher, path); status != 404 {
			t.Errorf("%s: %d", path, status)
		}
	}
	home := fern.home + "/assignments/" + sc.as.ID.String() + "/print/safety"
	if status, page := get(fern, home); status != 200 || !strings.Contains(page, "Fern") {
		t.Errorf("%d %.300s", status, page)
	}
	if status, page := get(beck, home); status == 200 {
		t.Errorf("another home reads it: %.300s", page)
	}
	sheet := fern.sheet()
	if len(sheet.Cards) < 8 || len(sheet.Before) == 0 || len(sheet.Clearing) == 0 || sheet.Near == "" ||
		len(sheet.Steps[0].Before) == 0 {
		t.Errorf("%+v", sheet.SafetyPart)
	}
}
