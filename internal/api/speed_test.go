package api_test

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"slices"
	"strings"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/internal/config"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/store/storetest"
)

// onDisk lets a test of speed run only where the database keeps what it takes,
// as in "with-postgres --durable": elsewhere its figures say nothing.
func onDisk(t *testing.T) {
	if os.Getenv("PK_TEST_DURABLE") == "" {
		t.Skip("no durable database: ./test runs it with one")
	}
}

// aSecond is how often clients do something a second, all at once for a while.
func aSecond(clients int, f func(client int) error) (float64, error) {
	const long = 700 * time.Millisecond
	var wg sync.WaitGroup
	var done atomic.Int64
	var failed atomic.Value
	begin := time.Now()
	for c := range clients {
		wg.Go(func() {
			for time.Since(begin) < long && failed.Load() == nil {
				if err := f(c); err != nil {
					failed.Store(err)
					return
				}
				done.Add(1)
			}
		})
	}
	wg.Wait()
	err, _ := failed.Load().(error)
	return float64(done.Load()) / time.Since(begin).Seconds(), err
}

// A reading that is acknowledged costs at most a few bare inserts of the same
// row, and thirty-two phones get no less done than eight.
func TestSpeedOfAReading(t *testing.T) {
	onDisk(t)
	s := newSiteOn(t, storetest.URL(t), nil)
	s.app.Limits = config.Limits{Entries: 1 << 30, Pictures: 1, Bytes: 1}
	const phones = 32
	var names []string
	for i := range phones {
		names = append(names, fmt.Sprintf("Home %d", i))
	}
	sc := s.school("t@school.example", names...)
	clients := make([]*client, phones)
	transport := &http.Transport{MaxIdleConnsPerHost: phones}
	for i, n := range names {
		clients[i] = sc.phone(n)
		sc.agree(clients[i])
		clients[i].Transport = transport
	}
	body, _ := json.Marshal(reading("towel", "8 min", "82 mm"))
	put := func(i int) error {
		c := clients[i]
		req, err := http.NewRequest("PUT", s.URL+"/api/v1"+sc.homePath(c, "/entries/"+newID()), bytes.NewReader(body))
		if err != nil {
			return err
		}
		req.Header.Set("Content-Type", "application/json")
		res, err := c.Do(req)
		if err != nil {
			return err
		}
		defer res.Body.Close()
		if answer, err := io.ReadAll(res.Body); err != nil || res.StatusCode != 200 {
			return fmt.Errorf("%d %s %v", res.StatusCode, answer, err)
		}
		return nil
	}
	insert := func(i int) error {
		home := sc.homes[i%len(sc.homes)].ID
		_, err := s.app.Store.Pool().
			Exec(t.Context(), `INSERT INTO entry (class_id, id, assignment_id, home_id, provenance, kind, body,
				body_sha, phone_time, offset_ms, received_at, late, clock_jump)
			VALUES ($1, $2, $3, $4, 'own', 'reading', $5, $6, $7, 0, $7, false, false)`, sc.class.ID, store.NewID(),
				sc.as.ID, home, body, body[:32], lesson)
		return err
	}
	for _, n := range []int{8, phones} {
		var readings, inserts []float64
		for range 5 { // in turns: the machine is not equally fast all the time
			rate, err := aSecond(n, put)
			bare, bareErr := aSecond(n, insert)
			if err = errors.Join(err, bareErr); err != nil {
				t.Fatal(err)
			}
			readings, inserts = append(readings, rate), append(inserts, bare)
		}
		ratio := median(inserts) / median(readings)
		t.Logf(
			"%d clients: %.0f readings and %.0f bare inserts a second: a reading costs %.1f inserts",
			n,
			median(readings),
			median(inserts),
			ratio,
		)
		if ratio > 5 {
			t.Errorf("a reading costs %.1f bare inserts at %d clients; something has been added to its way", ratio, n)
		}
	}
}

func median(x []float64) float64 {
	slices.Sort(x)
	return x[len(x)/2]
}

// The class page of forty homes with four hundred entries each stands in well
// under a tenth of a second once a page has looked at it; one more entry reads
// one notebook anew.
func TestSpeedOfResults(t *testing.T) {
	onDisk(t)
	s := newSiteOn(t, storetest.URL(t), nil)
	var names []string
	for i := range 40 {
		names = append(names, fmt.Sprintf("Home %d", i))
	}
	sc := s.school("t@school.example", names...)
	add := func(q *store.Queries, home uuid.UUID, n int) {
		raw, _ := json.Marshal(
			reading(
				[]string{"towel", "printer", "newspaper"}[n%3],
				[]string{"1 min", "2 min", "4 min", "8 min"}[n/3%4],
				fmt.Sprintf("%d mm", 10+n%60),
			),
		)
		e := store.Entry{
			ClassID:      sc.class.ID,
			ID:           store.NewID(),
			AssignmentID: sc.as.ID,
			HomeID:       &home,
			Provenance:   "own",
			Kind:         "reading",
			Body:         raw,
			BodySha:      raw[:32],
			PhoneTime:    lesson,
			ReceivedAt:   lesson.Add(time.Duration(n) * time.Second),
		}
		if ok, err := q.AddEntry(t.Context(), e, 10000); !ok || err != nil {
			t.Fatal(err)
		}
	}
	for i, h := range sc.homes {
		sc.agree(sc.phone(names[i]))
		if err := s.app.Store.InTx(t.Context(), func(q *store.Queries) error {
			for n := range 400 {
				add(q, h.ID, n)
			}
			return nil
		}); err != nil {
			t.Fatal(err)
		}
	}
	look := func() float64 {
		begin := time.Now()
		sc.results()
		return float64(time.Since(begin).Microseconds()) / 1000
	}
	first := look()
	var later []float64
	for n := range 9 {
		add(&s.app.Store.Queries, sc.homes[n].ID, 400+n)
		later = append(later, look())
	}
	t.Logf(
		"results of 40 homes with 400 entries each: %.0f ms at first, %.0f ms after one entry more",
		first,
		median(later),
	)
	if median(later) > 150 {
		t.Errorf("the class page takes %.0f ms", median(later))
	}
}

// With a thousand pages listening and thirty phones sending, an entry is told of
// within a second almost always.
func TestSpeedOfEvents(t *testing.T) {
	onDisk(t)
	s := newSiteOn(t, storetest.URL(t), nil)
	const streams, phones, each = 1000, 30, 6
	var names []string
	for i := range phones {
		names = append(names, fmt.Sprintf("Home %d", i))
	}
	sc := s.school("t@school.example", names...)
	ctx, stop := context.WithCancel(t.Context())
	defer stop()
	transport := &http.Transport{}
	defer transport.CloseIdleConnections()
	page := &http.Client{Jar: sc.teacher.Jar, Transport: transport}
	heard := make(chan time.Time, streams*phones*each*2)
	var ready sync.WaitGroup
	ready.Add(streams)
	for range streams {
		go func() {
			req, _ := http.NewRequestWithContext(ctx, "GET", s.URL+"/api/v1/live", nil)
			res, err := page.Do(req)
			if err != nil || res.StatusCode != 200 {
				t.Errorf("a page that would listen: %v", err)
				ready.Done()
				return
			}
			defer res.Body.Close()
			lines := bufio.NewScanner(res.Body)
			first := true
			for lines.Scan() {
				switch {
				case first && strings.Contains(lines.Text(), "refetch"):
					first = false
					ready.Done()
				case strings.Contains(lines.Text(), `"kind":"entry"`):
					heard <- time.Now()
				}
			}
		}()
	}
	ready.Wait()
	var clients []*client
	for _, n := range names {
		c := sc.phone(n)
		sc.agree(c)
		clients = append(clients, c)
	}
	time.Sleep(300 * time.Millisecond)
	var took []float64 // ms from the answer to a page's hearing of it, over all pages
	for range each {
		for len(heard) > 0 {
			<-heard
		}
		begin := time.Now()
		var wg sync.WaitGroup
		for _, c := range clients {
			wg.Go(func() { sc.put(c, newID(), reading("towel", "8 min", "82 mm")) })
		}
		wg.Wait()
		for range streams {
			select {
			case at := <-heard:
				took = append(took, float64(at.Sub(begin).Microseconds())/1000)
			case <-time.After(10 * time.Second):
				t.Fatal("a page heard nothing")
			}
		}
		time.Sleep(200 * time.Millisecond)
	}
	slices.Sort(took)
	p95 := took[len(took)*95/100]
	t.Logf(
		"events to %d pages while %d phones send: half within %.0f ms, 95 of 100 within %.0f ms of the phones' pressing",
		streams,
		phones,
		median(took),
		p95,
	)
	if p95 > 1500 {
		t.Errorf("p95 is %.0f ms", p95)
	}
}
