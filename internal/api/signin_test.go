package api_test

import (
	"fmt"
	"net/http"
	"strings"
	"sync"
	"testing"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/config"
)

// While strangers at sixty addresses try sixty passwords a second at one
// account, its teacher is in within 2 s from a browser that has signed in
// before, and within 30 s from a new one.
func TestAStrangerLocksNobodyOut(t *testing.T) {
	s := newSiteBehind(t, config.Proxies{Hops: 1})
	teacher := s.teacher("t@school.example") // signs in here
	want[api.Done](teacher, "DELETE", "/session", nil)
	began := time.Now()
	if a := teacher.do("POST", "/session", map[string]string{"email": "t@school.example", "password": password},
		"X-Forwarded-For", "203.0.113.7"); a.status != http.StatusOK {
		t.Fatal(a.status)
	}
	quiet := time.Since(began)
	want[api.Done](teacher, "DELETE", "/session", nil)
	stop := make(chan bool)
	var all sync.WaitGroup
	tick := time.NewTicker(time.Second / 60)
	defer tick.Stop()
	all.Go(func() {
		for i := 0; ; i++ {
			select {
			case <-stop:
				return
			case <-tick.C:
			}
			all.Go(func() {
				r, err := http.NewRequest(
					"POST",
					s.URL+"/api/v1/session",
					strings.NewReader(fmt.Sprintf(`{"email":"t@school.example","password":"wrong password %d"}`, i)),
				)
				if err != nil {
					return
				}
				r.Header.Set("Content-Type", "application/json")
				r.Header.Set("X-Forwarded-For", fmt.Sprintf("198.51.100.%d", i%60))
				if a, err := http.DefaultClient.Do(r); err == nil {
					_ = a.Body.Close()
				}
			})
		}
	})
	time.Sleep(3 * time.Second)
	in := func(c *client, within time.Duration, address string) {
		t.Helper()
		began := time.Now()
		for {
			a := c.do(
				"POST",
				"/session",
				map[string]string{"email": "t@school.example", "password": password},
				"X-Forwarded-For",
				address,
			)
			if a.status == http.StatusOK {
				break
			}
			if time.Since(began) > within {
				t.Errorf("not in after %v: %d %s", time.Since(began), a.status, a.body)
				return
			}
			time.Sleep(200 * time.Millisecond)
		}
		if took := time.Since(began); took > within {
			t.Errorf("in after %v, wanted %v", took, within)
		}
	}
	in(teacher, max(2*time.Second, 12*quiet), "203.0.113.7") // on a busy machine a quiet sign-in is slow too
	in(s.client(), 30*time.Second, "203.0.113.8")
	close(stop)
	all.Wait()
}

// Wrong codes are counted by network: another header does not walk around it,
// and one's own right link does not clear it; right codes are not counted.
func TestCodesAreCounted(t *testing.T) {
	sc := newSiteBehind(t, config.Proxies{Hops: 1}).school("t@school.example", "Fern", "Beck")
	try := func(code string, headers ...string) int {
		return sc.client().
			do("POST", "/family/open", map[string]string{"code": code},
				append([]string{"X-Forwarded-For", "203.0.113.9"}, headers...)...).
			status
	}
	for range 8 {
		if got := try(sc.links["Fern"].Code); got != http.StatusOK {
			t.Fatalf("a right code: %d", got)
		}
	}
	for range 5 {
		try("AAAAAAAAAA")
	}
	sc.client().
		do("POST", "/family/open", map[string]string{"link": sc.links["Fern"].Link[len(sc.links["Fern"].Link)-43:]},
			"X-Forwarded-For", "203.0.113.9")
	for _, headers := range [][]string{nil, {"X-Real-IP", "192.0.2.1"}, {"True-Client-IP", "192.0.2.2"},
		{"X-Forwarded-For", "192.0.2.3, 203.0.113.9"}} {
		if got := try("AAAAAAAAAA", headers...); got != http.StatusTooManyRequests {
			t.Errorf("%v: %d", headers, got)
		}
	}
	if got := sc.client().do("POST", "/family/open", map[string]string{"code": sc.links["Beck"].Code},
		"X-Forwarded-For", "203.0.113.77").status; got != http.StatusOK {
		t.Errorf("another network: %d", got)
	}
}
