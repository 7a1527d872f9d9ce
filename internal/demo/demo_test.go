package demo_test

import (
	"bytes"
	"context"
	"errors"
	"log/slog"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/config"
	"patient-kitchen/internal/demo"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/store/storetest"
	"patient-kitchen/internal/view/results"
)

func newApp(t *testing.T) *app.App {
	return &app.App{
		Store:     storetest.New(t),
		Keys:      keys.NewRing([]config.Secret{{ID: "demo", Key: bytes.Repeat([]byte{3}, 32)}}),
		Desk:      media.NewDesk(2),
		PublicURL: "http://demo.test",
		Now:       time.Now,
		Log:       slog.New(slog.DiscardHandler),
	}
}

// The demo shows something and has something wrong to find, and the same seed
// gives the same readings.
func TestSeed(t *testing.T) {
	ctx := context.Background()
	now := time.Date(2027, 2, 3, 9, 0, 0, 0, time.UTC)
	read := func() results.Results {
		a := newApp(t)
		if ready, err := demo.Ready(ctx, a.Store); ready || err != nil {
			t.Fatal(ready, err)
		}
		if err := demo.Seed(ctx, a, now, 2027); err != nil {
			t.Fatal(err)
		}
		if ready, err := demo.Ready(ctx, a.Store); !ready || err != nil {
			t.Fatal(ready, err)
		}
		teacher, err := a.Store.TeacherByEmail(ctx, demo.Email)
		if err != nil {
			t.Fatal(err)
		}
		who := app.TeacherActor{ID: teacher.ID}
		list, err := a.Assignments(ctx, who, "en")
		if err != nil || len(list) != 2 {
			t.Fatal(list, err)
		}
		if links, err := demo.Links(ctx, a, "Gorse"); err != nil || len(links) != 1 {
			t.Error(links, err)
		}
		if _, err := demo.Links(ctx, a, "Nessie"); err == nil {
			t.Error("a home the demo does not have")
		}
		younger, err := a.Results(ctx, who, list[1].Class, list[1].ID, "en")
		if err != nil {
			t.Fatal(err)
		}
		if c := younger.Comparisons[0]; c.Kind != "ordinal" || c.Findings[1].Verdict != "supported" ||
			c.Groups[2].N < 12 {
			t.Errorf("5B does not see that less sugar is left in warm water: %+v", c)
		}
		for _, h := range younger.Said[0].Homes {
			if strings.ContainsAny(h.Result, "0123456789") {
				t.Errorf("%s found %q: levels are no numbers", h.Nickname, h.Result)
			}
		}
		r, err := a.Results(ctx, who, list[0].Class, list[0].ID, "en")
		if err != nil {
			t.Fatal(err)
		}
		return r
	}
	r := read()
	states, apart, toRead, photos := map[string]int{}, 0, 0, 0
	for _, h := range r.Homes {
		states[h.State]++
		photos += len(h.Shown)
		if len(h.Held) != 0 {
			t.Errorf("%s: %v", h.Nickname, h.Held)
		}
		for _, v := range h.Results {
			if v.Outlier {
				apart++
			}
		}
		for _, c := range h.Cells {
			if c.State == "needs-reading" {
				toRead++
			}
		}
	}
	if len(r.Homes) != 24 || states["sent"] < 14 || states["declined"] != 2 || states["working"] != 3 ||
		states["not-opened"] != 1 ||
		states["withdrawn"] != 1 ||
		apart == 0 ||
		toRead != 1 ||
		photos < 14 ||
		r.Shared == nil {
		t.Errorf("states %v, %d apart, %d to read, %d photos", states, apart, toRead, photos)
	}
	if v := r.Comparisons[0].Findings[2].Verdict; v != "supported" {
		t.Errorf("the class does not see that kitchen roll lifts more: %s", v)
	}
	if testing.Short() {
		return
	}
	again := read()
	for i, g := range r.Comparisons[0].Groups {
		if again.Comparisons[0].Groups[i].Mean != g.Mean {
			t.Errorf("another run gives %v for %s, not %v", again.Comparisons[0].Groups[i].Mean, g.Name, g.Mean)
		}
	}
}

func TestReadyRefusesOtherDatabases(t *testing.T) {
	ctx := context.Background()
	a := newApp(t)
	if _, err := a.AddTeacher(ctx, "real@school.example", "Real", "three plain words"); err != nil {
		t.Fatal(err)
	}
	if _, err := demo.Ready(ctx, a.Store); !errors.Is(err, demo.ErrNotDemo) {
		t.Errorf("a database with somebody in it: %v", err)
	}
}
