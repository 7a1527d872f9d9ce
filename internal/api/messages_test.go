package api_test

import (
	"errors"
	"strings"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/mail"
)

// post takes letters; some addresses are not there, and it can be away.
type post struct {
	got  []mail.Letter
	away bool
}

func (p *post) Send(l mail.Letter) error {
	switch {
	case p.away:
		return errors.New("the server is away")
	case strings.HasPrefix(l.To, "gone@"):
		return mail.ErrRefused
	}
	p.got = append(p.got, l)
	return nil
}

// Homes are written to once on an occasion, in their language, outside the night; a letter
// that could not leave is tried again, one that was refused is not; nothing in one speaks of
// the home, and its way in is in no table.
func TestMessages(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern", "Tarn", "Wren")
	for _, h := range sc.homes {
		f := h.HomeFields
		switch h.Nickname {
		case "Beck":
			f.Contact, f.Students, f.Note = "beck@home.example", []string{"Beck the younger"}, "lactose"
		case "Fern":
			f.Contact, f.Language = "fern@home.example", "es"
		case "Tarn":
			f.Contact = "gone@home.example"
		}
		want[app.HomeView](sc.teacher, "PUT", sc.path("/homes/"+h.ID.String()), f, "If-Match", "1")
	}
	box := &post{}
	sc.app.Mail = box
	night := time.Date(2027, 2, 3, 23, 30, 0, 0, time.UTC)
	now := night
	sc.app.Now = func() time.Time { return now }
	write := func() app.Written {
		return want[app.Written](sc.teacher, "POST", sc.path("/messages"),
			map[string]any{"kind": "invitation", "about": sc.as.ID})
	}
	if w := write(); w.Homes != 3 || w.Before != 0 || len(w.NoAddress) != 1 || w.NoAddress[0] != "Wren" {
		t.Errorf("%+v", w)
	}
	if w := write(); w.Homes != 0 || w.Before != 3 {
		t.Errorf("written to twice: %+v", w)
	}
	deliver := func() int {
		n, err := sc.app.Deliver(t.Context())
		if err != nil {
			t.Fatal(err)
		}
		return n
	}
	if n := deliver(); n != 0 {
		t.Errorf("%d letters in the night", n)
	}
	box.away, now = true, night.Add(8*time.Hour)
	if n := deliver(); n != 0 {
		t.Errorf("%d letters while the server is away", n)
	}
	box.away, now = false, now.Add(time.Hour)
	if n := deliver(); n != 2 || len(box.got) != 2 || deliver() != 0 {
		t.Fatalf("%d letters: %+v", n, box.got)
	}
	for _, l := range box.got {
		if !strings.Contains(l.Body, "/h/") || strings.Contains(l.Body, "Beck") ||
			strings.Contains(l.Body, "lactose") || strings.Contains(l.Body, "\u2063") {
			t.Errorf("%+v", l)
		}
		if spanish := strings.Contains(l.Subject, "su página"); spanish != (l.To == "fern@home.example") {
			t.Errorf("%s gets %q", l.To, l.Subject)
		}
	}
	states := map[string]string{}
	for _, m := range want[api.List[app.MessageView]](sc.teacher, "GET", sc.path("/messages"), nil).Items {
		states[m.Nickname] = m.State
	}
	if states["Beck"] != "sent" || states["Fern"] != "sent" || states["Tarn"] != "failed" || len(states) != 3 {
		t.Errorf("%v", states)
	}
	rows, err := sc.app.Store.Messages(t.Context(), sc.class.ID)
	if err != nil || strings.Contains(rows[0].Body, "/h/") {
		t.Errorf("a home's link stands in a table: %v", err)
	}
	want[api.Done](sc.teacher, "POST", sc.path("/homes/"+sc.homes[0].ID.String()+"/erase"), nil)
	if rows, err = sc.app.Store.Messages(t.Context(), sc.class.ID); err != nil || len(rows) != 2 {
		t.Errorf("what was written to an erased home: %d, %v", len(rows), err)
	}
	if a := sc.teacher.do("POST", sc.path("/messages"), map[string]any{"kind": "poem", "about": sc.as.ID}); a.status != 422 {
		t.Errorf("an occasion that is none: %d", a.status)
	}
}

// Each occasion concerns the homes that are where it helps: who has agreed is not asked
// again, who has not begun has nothing to look at, who has not sent is not thanked. A home
// that works from 12 on is written to at 12, and the time is written as people there do.
func TestOccasionsConcern(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern", "Tarn", "Wren")
	for _, h := range sc.homes {
		f := h.HomeFields
		f.Contact = strings.ToLower(h.Nickname) + "@home.example"
		want[app.HomeView](sc.teacher, "PUT", sc.path("/homes/"+h.ID.String()), f, "If-Match", "1")
	}
	box := &post{}
	sc.app.Mail = box
	beck, fern, tarn := sc.phone("Beck"), sc.phone("Fern"), sc.phone("Tarn") // Wren has done nothing
	sc.agree(beck)
	sc.agree(fern)
	sc.agree(tarn)
	sc.put(fern, newID(), map[string]any{"kind": "step-done", "step": "pour", "phone_time": lesson, "offset_ms": 0})
	sc.put(tarn, newID(), map[string]any{"kind": "step-done", "step": "pour", "phone_time": lesson, "offset_ms": 0})
	sc.put(tarn, newID(), map[string]any{"kind": "sent", "phone_time": lesson, "offset_ms": 0})
	want[api.Done](beck, "PUT", beck.home+"/kitchen", map[string]any{
		"things": map[string]string{}, "hours": map[string]any{"home": map[string]int{"from": 12, "to": 20}},
	})
	morning := time.Date(2027, 2, 3, 8, 0, 0, 0, time.UTC)
	now := morning
	sc.app.Now = func() time.Time { return now }
	for kind, to := range map[string]string{
		"permission": "wren", "get-ready": "beck", "look-now": "fern", "thanks": "tarn",
	} {
		w := want[app.Written](sc.teacher, "POST", sc.path("/messages"),
			map[string]any{"kind": kind, "about": sc.as.ID})
		if w.Homes != 1 || w.NotNow != 3 {
			t.Errorf("%s: %+v", kind, w)
		}
		if _, err := sc.app.Deliver(t.Context()); err != nil {
			t.Fatal(err)
		}
		sent := len(box.got) > 0 && box.got[len(box.got)-1].To == to+"@home.example"
		if sent != (to != "beck") {
			t.Errorf("%s: %+v", kind, box.got)
		}
		box.got = nil
	}
	now = time.Date(2027, 2, 3, 12, 1, 0, 0, time.UTC)
	if n, err := sc.app.Deliver(t.Context()); err != nil || n != 1 || box.got[0].To != "beck@home.example" {
		t.Errorf("at noon: %d %v", n, err)
	}
	if a := beck.do("PUT", beck.home+"/kitchen", map[string]any{"things": map[string]string{},
		"hours": map[string]any{"weekdays": map[string]int{"from": 20, "to": 16}}}); a.status != 422 {
		t.Errorf("hours that go backwards: %d", a.status)
	}
	if a := beck.do("PUT", beck.home+"/kitchen", map[string]any{"things": map[string]string{},
		"own": map[string]string{"shoe-size": "43"}}); a.status != 422 {
		t.Errorf("a value that nobody measures: %d", a.status)
	}
	want[api.Done](beck, "PUT", beck.home+"/kitchen", map[string]any{"things": map[string]string{},
		"own": map[string]string{"altitude": "high up"}})
}

// A home whose way in was made with a secret that the server has no more is not written
// to: a letter without a link leads nowhere. It is named, and written to once it has a
// new link.
func TestNoLetterWithoutAWayIn(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Beck", "Fern")
	for _, h := range sc.homes {
		f := h.HomeFields
		f.Contact = strings.ToLower(h.Nickname) + "@home.example"
		want[app.HomeView](sc.teacher, "PUT", sc.path("/homes/"+h.ID.String()), f, "If-Match", "1")
	}
	fern := sc.homes[1]
	if _, err := sc.app.Store.Pool().Exec(t.Context(), `UPDATE home SET key_id = 'gone' WHERE id = $1`,
		fern.ID); err != nil {
		t.Fatal(err)
	}
	write := func() app.Written {
		return want[app.Written](sc.teacher, "POST", sc.path("/messages"),
			map[string]any{"kind": "invitation", "about": sc.as.ID})
	}
	if w := write(); w.Homes != 1 || len(w.NoAddress) != 1 || w.NoAddress[0] != "Fern" {
		t.Errorf("a home without a way in: %+v", w)
	}
	if packs := sc.teacher.do("GET", "/print"+sc.asPath("/packs"), nil); packs.status != 200 ||
		strings.Count(string(packs.body), "<svg") == 0 {
		t.Errorf("the packs of the class: %d", packs.status)
	}
	want[app.Invitation](sc.teacher, "POST", sc.path("/homes/"+fern.ID.String()+"/link"), nil)
	if w := write(); w.Homes != 1 || w.Before != 1 {
		t.Errorf("after a new link: %+v", w)
	}
}
