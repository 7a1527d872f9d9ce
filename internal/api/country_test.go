package api_test

import (
	"encoding/json"
	"io"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/compare"
	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/view/answers"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/shelves"
)

// A home in Spanish, in a class of Mexico and in one of Spain, all the way: what is
// typed is read and said back by the country's decimal sign, Spain says its own words,
// permission, paper and result go on as in any class, and the export is read again by
// the same rules.
func TestSpanishHomesOfTwoCountries(t *testing.T) {
	for zone, c := range map[string]struct{ locale, typed, echo, water, other string }{
		"America/Mexico_City": {"es-MX", "12.5", "12.5", "agua fría de la llave", "12,5"},
		"Europe/Madrid":       {"es-ES", "12,5", "12,5", "agua fría del grifo", "12.5"},
	} {
		sc := newSite(t).school("t@school.example", "Fern")
		class := sc.class.ClassFields
		class.Zone = zone
		want[app.ClassView](sc.teacher, "PUT", sc.path(""), class, "If-Match", "1")
		fern := sc.phone("Fern")
		want[api.Done](fern, "PUT", fern.home+"/language", map[string]string{"language": "es"})
		b := want[app.Bundle](fern, "GET", fern.home, nil)
		if b.Home.Locale != c.locale || b.Home.Language != "es" {
			t.Errorf("%s: %+v", zone, b.Home)
		}
		sheet, _ := json.Marshal(b.Sheets)
		if !strings.Contains(string(sheet), c.water) {
			t.Errorf("%s: the sheet lacks %q", zone, c.water)
		}
		sc.agree(fern)
		e := sc.put(fern, newID(), reading("towel", "8 min", c.typed))
		if said, _ := json.Marshal(e); !strings.Contains(string(said), `"`+c.echo+"\u00a0mm") ||
			strings.Contains(strings.ReplaceAll(string(said), `"typed":"`+c.typed+`"`, ""), c.other) {
			t.Errorf("%s: %s", zone, said)
		}
		if a := fern.do("GET", sc.homePath(fern, "/print/safety"), nil); a.status != 200 {
			t.Errorf("%s: paper %d", zone, a.status)
		}
		own := want[results.OwnResult](fern, "GET", sc.homePath(fern, "/result"), nil)
		if said, _ := json.Marshal(own.Results); !strings.Contains(string(said), c.echo) {
			t.Errorf("%s: %s", zone, said)
		}
		var file compare.Readings
		if err := json.Unmarshal(sc.teacher.do("GET", sc.asPath("/export.json"), nil).body, &file); err != nil {
			t.Fatal(err)
		}
		if row := file.Readings[0]; file.Homes[0].Language != c.locale || row.Value == nil || *row.Value != 12.5 {
			t.Errorf("%s: %+v %+v", zone, file.Homes, row)
		}
		if r := sc.results(); len(r.Homes) != 1 {
			t.Errorf("%s: %+v", zone, r.Homes)
		}
	}
}

// A teacher who reads Spanish: titles in lists, the larder's notes, the blanks
// of the Workbench, and what has no title.
func TestListsInTheTeachersLanguage(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	spanish := []string{"Accept-Language", "es"}
	if list := want[api.List[results.AssignmentView]](sc.teacher, "GET", "/assignments", nil,
		spanish...).Items; list[0].Title != "Tiras de papel" {
		t.Errorf("%+v", list[0])
	}
	if list := want[api.List[results.AssignmentView]](sc.teacher, "GET", "/assignments",
		nil).Items; list[0].Title != "Paper strips" {
		t.Errorf("%+v", list[0])
	}
	want[app.DraftView](sc.teacher, "POST", "/experiments", map[string]any{"document": map[string]any{"schema": 2}})
	if list := want[api.List[app.ExperimentRow]](sc.teacher, "GET", "/experiments", nil,
		spanish...).Items; !slices.ContainsFunc(
		list,
		func(e app.ExperimentRow) bool { return e.Title == "Sin título" },
	) {
		t.Errorf("%+v", list)
	}
	l := want[shelves.LarderView](sc.teacher, "GET", "/larder", nil, spanish...)
	if i := slices.IndexFunc(l.Jobs, func(j shelves.JobRow) bool { return j.ID == "mild-acid" }); i < 0 ||
		l.Jobs[i].Job != "da H⁺: efervescencia, cambio de indicador, disuelve cáscaras" {
		t.Errorf("%+v", l.Jobs[0])
	}
	if l.Never[0].Result != "cloro" || l.Printables[0].Sheet != "regla impresa" ||
		l.Fallbacks[0].Need != "sin balanza" ||
		l.Swaps[0].From != "vinagre blanco 5\u00a0%" {
		t.Errorf("%+v %+v %+v %+v", l.Never[0], l.Printables[0], l.Fallbacks[0], l.Swaps[0])
	}
	card := want[shelves.ThingCard](sc.teacher, "GET", "/larder/things/vinegar-white", nil, spanish...)
	if !strings.HasPrefix(card.Caveat, "la etiqueta dice") || card.Place != "alacena de la cocina" ||
		!strings.HasPrefix(card.Figures[0].Text, "ácido ") ||
		!slices.ContainsFunc(card.Figures, func(f shelves.FigureRow) bool {
			return strings.Contains(f.Text, "acético, típico")
		}) {
		t.Errorf("%+v", card)
	}
	found := false
	for _, m := range want[api.List[answers.ModelView]](sc.teacher, "GET", "/models", nil, spanish...).Items {
		if m.ID != "fizz" {
			continue
		}
		found = true
		if m.Words["limiting"] != "lo que se acaba primero" || m.Inputs[0].Label != "ácido" {
			t.Errorf("%+v", m)
		}
	}
	if !found {
		t.Error("there is no model of the fizz")
	}
}

// A class that measures as the US does reads cups, spoons and °F, metric in
// brackets, on every sheet and list; other classes read metric alone.
func TestMeasuresOfTheClass(t *testing.T) {
	for system, cups := range map[string]bool{"us": true, "metric": false, "uk": false} {
		s := newSite(t)
		sc := s.school("t@school.example", "Fern")
		class := sc.class.ClassFields
		class.UnitSystem, class.EmergencyNumber, class.PoisonNumber = system, "911", "555 0100"
		want[app.ClassView](sc.teacher, "PUT", sc.path(""), class, "If-Match", "1")
		fern := sc.phone("Fern")
		sheets, _ := json.Marshal(want[app.Bundle](fern, "GET", fern.home, nil).Sheets)
		pages := map[string]string{"the phone": string(sheets)}
		for _, kind := range []string{"materials", "swaps"} {
			pages[kind] = string(fern.do("GET", sc.homePath(fern, "/print/"+kind), nil).body)
		}
		list, err := sc.teacher.Get(
			sc.URL + "/print/classes/" + sc.class.ID.String() + "/experiments/" + sc.experiment.ID.String() +
				"/materials",
		)
		if err != nil {
			t.Fatal(err)
		}
		raw, _ := io.ReadAll(list.Body)
		list.Body.Close()
		pages["the teacher's list"] = string(raw)
		for where, page := range pages {
			page = strings.ReplaceAll(page, "\u00a0", " ")
			if !strings.Contains(page, " mL") {
				t.Errorf("%s has no amounts: %.300s", where, page)
			}
			if got := strings.Contains(page, "cup (") || strings.Contains(page, "cups ("); got != cups {
				t.Errorf("%s: cups on %s: %v\n%.1500s", system, where, got, page)
			}
		}
	}
}
