package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"net/http/cookiejar"
	"os"
	"regexp"
	"strconv"
	"strings"
	"sync"
	"testing"
	"time"

	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/results"
)

// route is one operation of the published description, and what it takes.
type route struct {
	method, path string
	body         any // one that may do
}

// destructive routes would take away what the others are tried on; they get ids
// that are not there.
var destructive = regexp.MustCompile(`^(DELETE /|POST .*/(erase|recall|link)$|PUT /session/password)`)

// routesOf reads the description and adds what stands beside it.
func routesOf(t *testing.T) []route {
	t.Helper()
	raw, err := os.ReadFile("../docs/openapi.json")
	if err != nil {
		t.Fatal(err)
	}
	var doc struct {
		Paths      map[string]map[string]struct{ RequestBody map[string]any }
		Components struct{ Schemas map[string]map[string]any }
	}
	if err := json.Unmarshal(raw, &doc); err != nil {
		t.Fatal(err)
	}
	var routes []route
	for path, methods := range doc.Paths {
		for method, op := range methods {
			r := route{method: strings.ToUpper(method), path: path}
			if content, ok := op.RequestBody["content"].(map[string]any); ok {
				media, _ := content["application/json"].(map[string]any)
				r.body = sample(doc.Components.Schemas, media["schema"], 0)
			}
			routes = append(routes, r)
		}
	}
	for _, beside := range []string{"PUT /api/v1/home/{home}/assignments/{assignment}/photos/{photo}",
		"GET /api/v1/home/{home}/photos/{photo}/{size}", "GET /api/v1/classes/{class}/photos/{photo}/{size}",
		"GET /api/v1/classes/{class}/assignments/{assignment}/export.csv", "GET /api/v1/classes/{class}/archive.zip",
		"GET /api/v1/experiments/{experiment}/file", "GET /api/v1/larder/own.csv",
		"GET /print/classes/{class}/experiments/{experiment}/{sheet}", "GET " +
			"/print/home/{home}/assignments/{assignment}/{sheet}", "POST /plain/permission", "GET /h/{token}",
		"GET /assets/{file}", "GET /{anything}", "PATCH /api/v1/classes", "GET /api/v1/{anything}"} {
		method, path, _ := strings.Cut(beside, " ")
		routes = append(routes, route{method: method, path: path})
	}
	if len(routes) < 60 {
		t.Fatalf("only %d routes are described", len(routes))
	}
	return routes
}

// sample makes a value that a schema describes.
func sample(schemas map[string]map[string]any, schema any, deep int) any {
	s, _ := schema.(map[string]any)
	if ref, ok := s["$ref"].(string); ok {
		return sample(schemas, any(schemas[ref[strings.LastIndexByte(ref, '/')+1:]]), deep+1)
	}
	if e, ok := s["examples"].([]any); ok && len(e) > 0 {
		return e[0]
	}
	if e, ok := s["enum"].([]any); ok && len(e) > 0 {
		return e[0]
	}
	switch s["type"] {
	case "object":
		out := map[string]any{}
		properties, _ := s["properties"].(map[string]any)
		for name, p := range properties {
			if deep < 6 {
				out[name] = sample(schemas, p, deep+1)
			}
		}
		return out
	case "array":
		return []any{sample(schemas, s["items"], deep+1)}
	case "integer", "number":
		return 1
	case "boolean":
		return true
	}
	if s["format"] == "date-time" {
		return time.Now().UTC().Format(time.RFC3339)
	}
	return "a"
}

// mutator changes requests at random, always the same way for a seed.
type mutator struct{ *rand.Rand }

func pick[T any](m mutator, list ...T) T { return list[m.IntN(len(list))] }

// scalar is a value of the kind that breaks things.
func (m mutator) scalar() any {
	return pick[any](
		m,
		nil,
		true,
		0,
		-1,
		1e308,
		-1e-320,
		9007199254740993,
		json.Number("1e400"),
		"",
		" ",
		"\x00",
		"\u202e",
		"=1+1",
		"<b>",
		strings.Repeat("z", pick(m, 200, 5000, 200_000)),
		"🧪",
		"'; --",
		"2026-13-45T99:99:99Z",
		"../../x",
		[]any{},
		map[string]any{},
		"1e308 km",
		"NaN",
		"½",
		"2.000,5 °C",
		store.NewID().String(),
		strings.Repeat("(", 3000),
	)
}

// change changes one place of a value.
func (m mutator) change(v any) any {
	if m.IntN(6) == 0 {
		return m.scalar()
	}
	switch v := v.(type) {
	case map[string]any:
		keys := []string{}
		for k := range v {
			keys = append(keys, k)
		}
		if len(keys) == 0 || m.IntN(8) == 0 {
			v[pick(m, "", "x", "id", "steps", "\x00", strings.Repeat("k", 300))] = m.scalar()
			return v
		}
		k := pick(m, keys...)
		switch m.IntN(4) {
		case 0:
			delete(v, k)
		default:
			v[k] = m.change(v[k])
		}
		return v
	case []any:
		switch {
		case len(v) == 0 || m.IntN(6) == 0:
			return append(v, m.scalar())
		case m.IntN(8) == 0:
			many := pick(m, 3, 30, 300)
			one, _ := json.Marshal(v[0])
			for len(v) < many && len(v)*len(one) < 200_000 { // of small things many, and never many of many
				v = append(v, v[0])
			}
			return v
		}
		i := m.IntN(len(v))
		v[i] = m.change(v[i])
		return v
	}
	return m.scalar()
}

// bytes changes bytes, not values.
func (m mutator) bytes(b []byte) []byte {
	b = bytes.Clone(b)
	switch {
	case len(b) == 0:
	case m.IntN(3) == 0:
		return b[:m.IntN(len(b))]
	case m.IntN(3) == 0:
		i := m.IntN(len(b))
		return append(
			b[:i:i],
			append([]byte(pick(m, "\"", "{", "]", "\xff", "\x00", `\ud800`, ",,", "0")), b[i:]...)...)
	default:
		b[m.IntN(len(b))] ^= 1 << m.IntN(8)
	}
	return b
}

// Requests of every kind, each with something wrong in it: none is answered
// with a fault of ours, whatever it says, and the server stays small.
func TestMutatedRequests(t *testing.T) {
	t.Parallel()
	url := database(t)
	demo := start(t, []string{"PK_DATABASE_URL=" + url}, "demo", "--dir", t.TempDir(), "--listen", "127.0.0.1:0")
	m := mutator{rand.New(rand.NewPCG(9, 9))}
	jar, _ := cookiejar.New(nil)
	teacher := &http.Client{Jar: jar, Timeout: 60 * time.Second}
	family := openPhone(t, demo.base, demo.link("Gorse"))
	link := demo.link("Gorse")
	demo.kill()
	// Each request comes from another address, as behind a proxy: the limit of one address is not what is tried here.
	listen := freeAddress(t)
	demo = start(
		t,
		[]string{
			"PK_DATABASE_URL=" + url,
			"PK_LISTEN=" + listen,
			"PK_PUBLIC_URL=http://127.0.0.1",
			"PK_SECRETS=a:" + strings.Repeat("ab", 32),
			"PK_TRUST_PROXY=1",
		},
		"serve",
	)
	demo.base = "http://" + listen
	awaitReady(t, demo.base)
	ask := func(m mutator, c *http.Client, method, path string, body []byte, headers map[string]string) (int, []byte, error) {
		req, err := http.NewRequest(method, demo.base+path, bytes.NewReader(body))
		if err != nil {
			return 0, nil, nil // no such request can be made
		}
		req.Header.Set("Content-Type", "application/json")
		req.Header.Set("X-Forwarded-For", fmt.Sprintf("10.%d.%d.%d", m.IntN(256), m.IntN(256), m.IntN(256)))
		for k, v := range headers {
			req.Header.Set(k, v)
		}
		res, err := c.Do(req)
		if err != nil {
			return 0, nil, err
		}
		defer res.Body.Close()
		if strings.HasPrefix(res.Header.Get("Content-Type"), "text/event-stream") { // it does not end
			return res.StatusCode, nil, nil
		}
		answer, err := io.ReadAll(io.LimitReader(res.Body, 1<<20))
		return res.StatusCode, answer, err
	}
	signIn, _ := json.Marshal(map[string]string{"email": email, "password": password})
	if status, answer, err := ask(m, teacher, "POST", "/api/v1/session", signIn, nil); status != 200 {
		t.Fatalf("%d %s %v", status, answer, err)
	}
	var assignments struct{ Items []results.AssignmentView }
	_, raw, _ := ask(m, teacher, "GET", "/api/v1/assignments", nil, nil)
	if err := json.Unmarshal(raw, &assignments); err != nil || len(assignments.Items) == 0 {
		t.Fatalf("%s %v", raw, err)
	}
	of := assignments.Items[0]
	_, file, _ := ask(m, teacher, "GET", "/api/v1/experiments/"+of.Experiment.String()+"/file", nil, nil)
	var document any
	if err := json.Unmarshal(file, &document); err != nil {
		t.Fatal(err)
	}
	fresh := func() any { var v any; _ = json.Unmarshal(file, &v); return v }
	real := map[string]string{
		"class":      of.Class.String(),
		"assignment": of.ID.String(),
		"experiment": of.Experiment.String(),
		"home":       strings.TrimPrefix(family.home, "/home/"),
		"sheet":      "safety",
		"thing":      "vinegar-white",
		"model":      "pendulum",
		"swap":       "a-swap",
		"size":       "display",
		"token":      link[strings.LastIndexByte(link, '/')+1:],
		"anything":   "nothing",
	}
	placeholder := regexp.MustCompile(`\{(\w+)\}`)
	routes := routesOf(t)
	statuses := map[int]int{}
	var mu sync.Mutex
	var all sync.WaitGroup
	const workers = 4
	for worker := range workers {
		all.Go(func() {
			m := mutator{rand.New(rand.NewPCG(9, uint64(worker)))}
			for n := range size(20_000) / workers {
				r := routes[m.IntN(len(routes))]
				if r.body == nil && m.IntN(4) > 0 { // where there is little to change, fewer are tried
					r = routes[m.IntN(len(routes))]
				}
				gone := destructive.MatchString(r.method + " " + strings.TrimPrefix(r.path, "/api/v1"))
				path := placeholder.ReplaceAllStringFunc(r.path, func(s string) string {
					v, ok := real[s[1:len(s)-1]]
					if !ok || gone || m.IntN(12) == 0 {
						v = pick(
							m,
							store.NewID().String(),
							store.NewID().String(),
							"x",
							"%00",
							"%ff",
							strings.Repeat("a", 2000),
						)
					}
					return v
				})
				if gone && !strings.Contains(r.path, "{") {
					continue
				}
				if m.IntN(10) == 0 {
					path += "?" + pick(
						m,
						"had=",
						"q=%00",
						"plain",
						"language=xx",
						"had="+strings.Repeat("a,", 300),
						"%zz=1",
						"a=%ff",
					)
				}
				var body []byte
				if r.body != nil {
					var v any
					whole, _ := json.Marshal(r.body)
					_ = json.Unmarshal(whole, &v)
					if fields, ok := v.(map[string]any); ok && fields["document"] != nil {
						fields["document"] = m.change(fresh())
					}
					for range m.IntN(4) {
						v = m.change(v)
					}
					body, _ = json.Marshal(v)
				}
				if m.IntN(5) == 0 {
					body = m.bytes(body)
				}
				headers := map[string]string{"If-Match": pick(m, "1", "2", `"1"`, "x", "99999999999999999999")}
				if m.IntN(15) == 0 {
					headers["Content-Type"] = pick(
						m,
						"text/plain",
						"application/x-www-form-urlencoded",
						"multipart/form-data",
						"",
						"application/json; charset=latin1",
					)
				}
				if m.IntN(15) == 0 {
					headers["Accept-Language"] = pick(m, "es", "ca,es", "xx", strings.Repeat("e", 4000))
				}
				client := teacher
				if strings.Contains(r.path, "/home/{home}") {
					client = &family.Client
				}
				status, answer, err := ask(m, client, r.method, path, body, headers)
				mu.Lock()
				statuses[status/100]++
				mu.Unlock()
				if err != nil && !strings.Contains(err.Error(), "malformed") {
					t.Errorf("%d: %s %.120s with %.300s: %v", n, r.method, path, body, err)
				}
				if status >= 500 && status != http.StatusServiceUnavailable {
					t.Errorf("%d: %s %.120s with %.600s (%v): %d %.200s", n, r.method, path, body, headers, status, answer)
				}
				if status >= 400 && strings.HasPrefix(r.path, "/api/") && !json.Valid(answer) {
					t.Errorf("%d: %s %.120s: %d is no problem document: %.200s", n, r.method, path, status, answer)
				}
			}
		})
	}
	all.Wait()
	status, err := os.ReadFile("/proc/" + strconv.Itoa(demo.cmd.Process.Pid) + "/status")
	if err != nil {
		t.Fatal(err)
	}
	peak, _ := strconv.Atoi(strings.Fields(regexp.MustCompile(`VmHWM:.*`).FindString(string(status)))[1])
	t.Logf("answers by hundreds %v; the server took %d MB at most", statuses, peak/1024)
	if peak > 512*1024 {
		t.Errorf("the server took %d MB", peak/1024)
	}
	if statuses[2] < size(20_000)/20 || statuses[4] < size(20_000)/4 {
		t.Errorf("too few requests were answered either way: %v", statuses)
	}
}
