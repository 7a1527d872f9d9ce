package api_test

import (
	"bufio"
	"context"
	"net/http"
	"net/url"
	"strings"
	"sync"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/store/storetest"
)

// events reads a live stream line by line.
func events(t *testing.T, c *client) <-chan string {
	t.Helper()
	ctx, cancel := context.WithCancel(context.Background())
	t.Cleanup(cancel)
	req, _ := http.NewRequestWithContext(ctx, "GET", c.s.URL+"/api/v1/live", nil)
	streaming := *c.Client
	streaming.Timeout = 0
	res, err := streaming.Do(req)
	if err != nil || res.StatusCode != 200 {
		t.Fatalf("%v %v", res, err)
	}
	out := make(chan string, 100)
	go func() {
		defer close(out)
		defer res.Body.Close()
		lines := bufio.NewScanner(res.Body)
		for lines.Scan() {
			if data, ok := strings.CutPrefix(lines.Text(), "data: "); ok {
				out <- data
			}
		}
	}()
	return out
}

func await(t *testing.T, stream <-chan string, says string, within time.Duration) {
	t.Helper()
	timeout := time.After(within)
	for {
		select {
		case e, ok := <-stream:
			if !ok {
				t.Fatal("the stream ended")
			}
			if strings.Contains(e, says) {
				return
			}
		case <-timeout:
			t.Fatalf("no event with %q within %v", says, within)
		}
	}
}

// Two server processes serve one class: what is written at one is seen at the
// other within a second, also after the listening connection was killed.
func TestWrittenHereSeenThere(t *testing.T) {
	url := storetest.URL(t)
	here, there := newSiteOn(t, url, nil), newSiteOn(t, url, nil)
	sc := here.school("t@school.example", "Fern")
	fern := sc.phone("Fern")
	sc.agree(fern)
	watcher := there.client()
	want[api.Me](watcher, "POST", "/session", map[string]string{"email": "t@school.example", "password": password})
	stream := events(t, watcher)
	await(t, stream, "refetch", 5*time.Second)
	sc.put(fern, newID(), reading("towel", "1 min", "17 mm"))
	await(t, stream, `"kind":"entry","id":"`+sc.as.ID.String(), time.Second)

	if _, err := here.app.Store.Pool().Exec(t.Context(), `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
		WHERE query LIKE 'LISTEN%' AND datname = current_database()`); err != nil {
		t.Fatal(err)
	}
	for range stream { // ends: it may have missed that its teacher signed out
	}
	stream = events(t, watcher)
	await(t, stream, "refetch", 10*time.Second)
	sc.put(fern, newID(), reading("towel", "2 min", "24 mm"))
	await(t, stream, `"kind":"entry"`, time.Second)
}

func TestStrangersHearNothing(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	other := s.school("u@school.example", "Moss")
	fern := sc.phone("Fern")
	sc.agree(fern)
	stream := events(t, other.teacher)
	await(t, stream, "refetch", 5*time.Second)
	sc.put(fern, newID(), reading("towel", "1 min", "17 mm"))
	moss := other.phone("Moss")
	_ = moss
	await(t, stream, `"kind":"home"`, 2*time.Second)
	select {
	case e := <-stream:
		if strings.Contains(e, sc.class.ID.String()) {
			t.Errorf("an event of another class: %s", e)
		}
	default:
	}
}

// What a teacher's pages may hear follows the teacher: signing out ends the
// stream, and a class just made is heard after the browser's own reconnect.
func TestStreamsEndWhenAccessChanges(t *testing.T) {
	s := newSite(t)
	sc := s.school("t@school.example", "Fern")
	other := s.school("u@school.example", "Moss")
	stream, elsewhere := events(t, sc.teacher), events(t, other.teacher)
	await(t, stream, "refetch", 5*time.Second)
	await(t, elsewhere, "refetch", 5*time.Second)

	made := want[app.ClassView](sc.teacher, "POST", "/classes", classBody)
	ended(t, stream, 2*time.Second)
	stream = events(t, sc.teacher)
	await(t, stream, "refetch", 5*time.Second)
	want[api.List[app.RosterLine]](
		sc.teacher,
		"POST",
		"/classes/"+made.ID.String()+"/roster",
		map[string]string{"text": "Heron"},
	)
	await(t, stream, made.ID.String(), 2*time.Second)

	want[api.Done](sc.teacher, "DELETE", "/session", nil)
	ended(t, stream, 2*time.Second)
	sc.teacher.refused("GET", "/live", nil, http.StatusUnauthorized, "")
	want[api.Done](sc.teacher, "DELETE", "/session", nil) // nobody is signed in: nothing to end
	for {
		select {
		case e, open := <-elsewhere:
			if !open || strings.Contains(e, made.ID.String()) || strings.Contains(e, sc.class.ID.String()) {
				t.Errorf("another teacher's stream heard %q (open %v)", e, open)
			}
			continue
		default:
		}
		break
	}
}

func ended(t *testing.T, stream <-chan string, within time.Duration) {
	t.Helper()
	timeout := time.After(within)
	for {
		select {
		case _, open := <-stream:
			if !open {
				return
			}
		case <-timeout:
			t.Fatalf("the stream goes on after %v", within)
		}
	}
}

// Three processes share the twenty-five connections of a small database while
// thirty phones send: nothing is refused, nothing fails.
func TestThreeProcessesShareConnections(t *testing.T) {
	admin := storetest.URL(t)
	first := newSiteOn(t, admin, nil)
	sc := first.school("t@school.example", "Fern", "Moss", "Heron", "Gorse", "Peat")
	role := "small_" + strings.ReplaceAll(newID(), "-", "")
	for _, sql := range []string{"CREATE ROLE " + role + " LOGIN PASSWORD 'small' CONNECTION LIMIT 25",
		"GRANT ALL ON ALL TABLES IN SCHEMA public TO " + role, "GRANT ALL ON SCHEMA public TO " + role} {
		if _, err := first.app.Store.Pool().Exec(t.Context(), sql); err != nil {
			t.Fatal(err)
		}
	}
	u, err := url.Parse(admin)
	if err != nil {
		t.Fatal(err)
	}
	u.User = url.UserPassword(role, "small")
	var sites []*site
	for range 3 {
		sites = append(sites, newSiteOn(t, u.String(), nil))
	}
	t.Cleanup(func() {
		_, _ = first.app.Store.Pool().Exec(context.Background(), "DROP OWNED BY "+role+"; DROP ROLE "+role)
	})
	var phones []*client
	for _, h := range sc.homes {
		c := sc.phone(h.Nickname)
		sc.agree(c)
		phones = append(phones, c)
	}
	var wg sync.WaitGroup
	for i := range 30 {
		wg.Go(func() {
			phone := *phones[i%len(phones)]
			phone.s = sites[i%3]
			for range 15 {
				if a := phone.do("PUT", sc.homePath(&phone, "/entries/"+newID()),
					reading("towel", "8 min", "82 mm")); a.status != 200 {
					t.Errorf("%d %s", a.status, a.body)
					return
				}
				if a := phone.do("GET", phone.home, nil); a.status != 200 {
					t.Errorf("%d %s", a.status, a.body)
					return
				}
			}
		})
	}
	wg.Wait()
}
