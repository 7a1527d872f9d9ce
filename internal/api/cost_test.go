package api_test

import (
	"context"
	"fmt"
	"strings"
	"sync/atomic"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"patient-kitchen/internal/store/storetest"
)

// counter counts queries.
type counter struct{ n atomic.Int64 }

func (c *counter) TraceQueryStart(ctx context.Context, _ *pgx.Conn, q pgx.TraceQueryStartData) context.Context {
	if !strings.Contains(q.SQL, "pg_notify") { // told after the answer
		c.n.Add(1)
	}
	return ctx
}
func (c *counter) TraceQueryEnd(context.Context, *pgx.Conn, pgx.TraceQueryEndData) {}

// What each screen costs must not grow with the class: the same number of
// queries at 3 homes and at 60, and bytes and time in proportion.
func TestCostOfScreens(t *testing.T) {
	type cost struct {
		queries int64
		bytes   int
		time    time.Duration
	}
	measure := func(homes int) map[string]cost {
		count := &counter{}
		s := newSiteOn(t, storetest.URL(t), count)
		names := make([]string, homes)
		for i := range names {
			names[i] = fmt.Sprintf("Home %d", i)
		}
		sc := s.school("t@school.example", names...)
		for i := range homes {
			c := sc.phone(names[i])
			sc.agree(c)
			for _, condition := range []string{"printer", "towel"} {
				sc.put(c, newID(), reading(condition, "8 min", fmt.Sprintf("%d mm", 10+i%9)))
			}
		}
		phone := sc.phone(names[0])
		out := map[string]cost{}
		for name, get := range map[string]func() answer{
			"today": func() answer { return sc.teacher.do("GET", "/assignments", nil) },
			"kitchens": func() answer {
				return sc.teacher.do("GET", "/experiments/"+sc.experiment.ID.String()+"/kitchens?class="+
					sc.class.ID.String(), nil)
			},
			"survey":  func() answer { return phone.do("GET", phone.home+"/kitchen", nil) },
			"class":   func() answer { return sc.teacher.do("GET", sc.path("/homes"), nil) },
			"results": func() answer { return sc.teacher.do("GET", sc.asPath("/results"), nil) },
			"phone":   func() answer { return phone.do("GET", phone.home, nil) },
			"notebook": func() answer {
				return sc.teacher.do("GET", sc.asPath("/notebooks/"+strings.TrimPrefix(phone.home, "/home/")), nil)
			},
			"larder": func() answer { return sc.teacher.do("GET", "/larder", nil) },
			"thing":  func() answer { return sc.teacher.do("GET", "/larder/things/vinegar-white", nil) },
			"draft":  func() answer { return sc.teacher.do("GET", "/experiments/"+sc.experiment.ID.String(), nil) },
			"paper": func() answer {
				return sc.teacher.do("GET", "/print/classes/"+sc.class.ID.String()+"/experiments/"+
					sc.experiment.ID.String()+"/swaps", nil)
			},
		} {
			get()
			before := count.n.Load()
			start := time.Now()
			a := get()
			if a.status != 200 {
				t.Fatalf("%s: %d %s", name, a.status, a.body)
			}
			out[name] = cost{count.n.Load() - before, len(a.body), time.Since(start)}
		}
		return out
	}
	few, many := measure(3), measure(60)
	most := map[string]int64{
		"today":    3,
		"class":    5,
		"kitchens": 9,
		"survey":   7,
		"results":  10,
		"phone":    13,
		"notebook": 10,
		"larder":   3,
		"thing":    4,
		"draft":    3,
		"paper":    5,
	}
	for name, m := range many {
		f := few[name]
		t.Logf(
			"%s: %d queries; %d → %d bytes, %v → %v from 3 to 60 homes",
			name,
			m.queries,
			f.bytes,
			m.bytes,
			f.time.Round(time.Millisecond/10),
			m.time.Round(time.Millisecond/10),
		)
		if m.queries != f.queries || m.queries > most[name] {
			t.Errorf(
				"%s takes %d queries for 3 homes and %d for 60; at most %d and the same",
				name,
				f.queries,
				m.queries,
				most[name],
			)
		}
		if m.bytes > 24*f.bytes {
			t.Errorf("%s grows from %d to %d bytes for 20 times the homes", name, f.bytes, m.bytes)
		}
	}
	if p := many["phone"]; p.bytes > 2*few["phone"].bytes {
		t.Errorf("a phone's page grows with the class: %d to %d bytes", few["phone"].bytes, p.bytes)
	}
}
