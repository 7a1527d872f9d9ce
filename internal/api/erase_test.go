package api_test

import (
	"fmt"
	"net/http"
	"strconv"
	"sync"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/config"
)

// Erasing holds against what is under way: while a phone writes and uploads,
// its home is erased, and nothing of it is left; nothing comes after it.
func TestErasingHoldsAgainstWrites(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck", "Sorrel", "Adder")
	var all sync.WaitGroup
	for _, h := range sc.homes {
		p := sc.phone(h.Nickname)
		sc.agree(p)
		start := make(chan bool)
		all.Go(func() {
			<-start
			for i := range 60 {
				a := p.do(
					"PUT",
					sc.homePath(p, "/entries/"+newID()),
					map[string]any{
						"kind":       "observation",
						"step":       "cut",
						"text":       fmt.Sprintf("Grandma Fernsby said %d", i),
						"phone_time": lesson,
						"offset_ms":  0,
					},
				)
				if a.status >= 500 {
					t.Errorf("%d %s", a.status, a.body)
				}
				if i%5 == 0 {
					p.do("PUT", sc.homePath(p, "/photos/"+newID()), jpegOf(20, 20))
					p.do(
						"PUT",
						p.home+"/incidents/"+newID(),
						map[string]any{"door": "hurt", "note": "Fernsby", "phone_time": lesson},
					)
				}
			}
		})
		all.Go(func() {
			close(start)
			time.Sleep(150 * time.Millisecond)
			want[api.Done](sc.teacher, "POST", sc.path("/homes/"+h.ID.String()+"/erase"), nil)
		})
	}
	all.Wait()
	for _, table := range []string{"entry", "media", "incident", "permission_event", "student", "link", "home_device"} {
		var n int
		if err := sc.app.Store.Pool().QueryRow(t.Context(), `SELECT count(*) FROM `+table+
			` WHERE home_id IS NOT NULL`).Scan(&n); err != nil ||
			n != 0 {
			t.Errorf("%d rows of erased homes in %s, %v", n, table, err)
		}
	}
	var named int
	if err := sc.app.Store.Pool().QueryRow(t.Context(), `SELECT count(*) FROM audit
		WHERE detail ~* 'fern|beck|sorrel|adder'`).Scan(&named); err != nil ||
		named != 0 {
		t.Errorf("%d lines of the audit name a home, %v", named, err)
	}
}

// Two pictures under one id: the first stands, the second is told so, also when
// both come at once.
func TestTwoPicturesUnderOneID(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	p := sc.phone("Fern")
	sc.agree(p)
	id := newID()
	codes := make([]int, 6)
	var all sync.WaitGroup
	for i := range codes {
		all.Go(func() {
			for codes[i] == 0 || codes[i] == http.StatusServiceUnavailable { // so many at once from one home
				codes[i] = p.do("PUT", sc.homePath(p, "/photos/"+id), jpegOf(20+i, 20)).status
			}
		})
	}
	all.Wait()
	taken, refused := 0, 0
	for _, c := range codes {
		switch c {
		case http.StatusOK:
			taken++
		case http.StatusConflict:
			refused++
		}
	}
	if taken != 1 || refused != 5 {
		t.Errorf("%v", codes)
	}
}

// One phone does not fill the disk: what is beyond the limit stays on it, and
// it is told.
func TestLimitsOfAHome(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern", "Beck")
	sc.app.Limits = config.Limits{Entries: 5, Pictures: 2, Bytes: 1 << 30}
	p := sc.phone("Fern")
	sc.agree(p)
	saw := func(i int) map[string]any {
		return map[string]any{
			"kind":       "observation",
			"step":       "cut",
			"text":       strconv.Itoa(i),
			"phone_time": lesson,
			"offset_ms":  0,
		}
	}
	first := newID()
	for i := range 5 {
		id := newID()
		if i == 0 {
			id = first
		}
		sc.put(p, id, saw(i))
	}
	p.refused("PUT", sc.homePath(p, "/entries/"+newID()), saw(6), 409, "full")
	sc.put(p, first, saw(0)) // what is there is answered as ever
	for i := range 2 {
		want[api.Done](p, "PUT", sc.homePath(p, "/photos/"+newID()), jpegOf(20+i, 20))
	}
	p.refused("PUT", sc.homePath(p, "/photos/"+newID()), jpegOf(20, 20), 409, "full")
	want[api.Done](p, "PUT", p.home+"/incidents/"+newID(), map[string]any{"door": "hurt", "phone_time": lesson})
	other := sc.phone("Beck")
	sc.agree(other)
	sc.put(other, newID(), saw(1))
}

// Of several saves from one state one wins, and each of the others is told the
// present state.
func TestLosersOfASave(t *testing.T) {
	sc := newSite(t).school("t@school.example", "Fern")
	for path, body := range map[string]func(i int) any{
		sc.path(""): func(i int) any {
			out := map[string]any{}
			for k, v := range classBody {
				out[k] = v
			}
			out["name"] = fmt.Sprintf("7%d", i)
			return out
		},
		sc.path("/homes/" + sc.homes[0].ID.String()): func(i int) any {
			return map[string]any{"nickname": fmt.Sprintf("Fern %d", i)}
		},
		"/experiments/" + sc.experiment.ID.String(): func(i int) any {
			return map[string]any{"document": sc.experiment.Document}
		},
	} {
		codes := map[int]int{}
		var mu sync.Mutex
		var all sync.WaitGroup
		for i := range 6 {
			all.Go(func() {
				a := sc.teacher.do("PUT", path, body(i), "If-Match", "1")
				mu.Lock()
				codes[a.status]++
				mu.Unlock()
			})
		}
		all.Wait()
		if codes[200] != 1 || codes[412] != 5 {
			t.Errorf("%s: %v", path, codes)
		}
	}
}
