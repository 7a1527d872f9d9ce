package e2e

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"net/http/cookiejar"
	neturl "net/url"
	"os"
	"strings"
	"sync"
	"testing"
	"time"

	"patient-kitchen/internal/app"
	"patient-kitchen/internal/postgres"
	"patient-kitchen/internal/store"
)

// phone is a family's sender, as the page is: the same bytes under the same
// id until there is an answer.
type phone struct {
	http.Client
	base, home, assignment, sha string
}

func (p *phone) ask(method, path string, body any) (int, []byte, error) {
	raw, ok := body.([]byte)
	if !ok {
		raw, _ = json.Marshal(body)
	}
	req, err := http.NewRequest(method, p.base+"/api/v1"+path, bytes.NewReader(raw))
	if err != nil {
		return 0, nil, err
	}
	req.Header.Set("Content-Type", "application/json")
	res, err := p.Do(req)
	if err != nil {
		return 0, nil, err
	}
	defer res.Body.Close()
	answer, err := io.ReadAll(res.Body)
	return res.StatusCode, answer, err
}

func openPhone(t *testing.T, base, link string) *phone {
	t.Helper()
	jar, _ := cookiejar.New(nil)
	p := &phone{Client: http.Client{Jar: jar, Timeout: 5 * time.Second}, base: base}
	status, raw, err := p.ask(
		"POST",
		"/family/open",
		map[string]string{"link": link[strings.LastIndexByte(link, '/')+1:]},
	)
	var opened struct{ Home string }
	if err != nil || status != 200 || json.Unmarshal(raw, &opened) != nil {
		t.Fatalf("%d %s %v", status, raw, err)
	}
	p.home = "/home/" + opened.Home
	_, raw, _ = p.ask("GET", p.home, []byte{})
	var b app.Bundle
	if err := json.Unmarshal(raw, &b); err != nil || len(b.Sheets) != 1 {
		t.Fatalf("%s %v", raw, err)
	}
	p.assignment, p.sha = b.Sheets[0].Assignment.String(), b.Sheets[0].Permission.TextSha
	if status, raw, err = p.ask("POST", p.home+"/assignments/"+p.assignment+"/permission",
		map[string]any{"decision": "granted", "guardian": "A", "text_sha": p.sha}); err != nil ||
		status != 200 {
		t.Fatalf("%d %s %v", status, raw, err)
	}
	return p
}

// size is how much of something a test does: all of it in "./test --long", a
// tenth otherwise.
func size(all int) int {
	if os.Getenv("PK_TEST_LONG") != "" {
		return all
	}
	return all / 10
}

// ownCluster is a database server of the test's own, with PostgreSQL's default
// durability, and a line to it that stays the same over crashes.
func ownCluster(t *testing.T) (postgres.Options, *postgres.Cluster, *proxy, string) {
	t.Helper()
	dir, err := os.MkdirTemp("", "patient-kitchen-chaos-")
	if err != nil {
		t.Fatal(err)
	}
	os.Chmod(dir, 0o755)
	o := postgres.Options{Dir: dir + "/pg"}
	c, err := postgres.Start(context.Background(), o)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { c.Stop(); os.RemoveAll(dir) })
	u, _ := neturl.Parse(c.URL)
	line := newProxy(t, u.Host)
	u.Host = line.addr
	return o, c, line, u.String()
}

// TestChaos lets phones write while the server is killed, its database is
// crashed, its connections are cut and answers are lost, again and again. Every
// entry that was acknowledged is there, once, with its bytes.
func TestChaos(t *testing.T) {
	if os.Getenv("PK_TEST_DURABLE") == "" {
		t.Skip("it needs a durable database: ./test runs it so")
	}
	options, cluster, dbLine, url := ownCluster(t)
	st := openStore(t, url)
	if err := st.Migrate(context.Background()); err != nil {
		t.Fatal(err)
	}
	demoApp := start(t, []string{"PK_DATABASE_URL=" + url}, "demo", "--dir", t.TempDir(), "--listen", "127.0.0.1:0")
	line := newProxy(t, strings.TrimPrefix(demoApp.base, "http://"))
	var phones []*phone
	for _, home := range []string{"Gorse", "Kestrel"} {
		phones = append(phones, openPhone(t, line.base(), demoApp.link(home)))
	}
	demoApp.kill()

	began := time.Now()
	stop := make(chan struct{})
	type sent struct{ id, body string }
	acknowledged := make([][]sent, len(phones))
	var writers sync.WaitGroup
	for i, p := range phones {
		writers.Go(func() {
			for n := 0; ; n++ {
				select {
				case <-stop:
					return
				case <-time.After(25 * time.Millisecond):
				}
				id := store.NewID().String()
				body, _ := json.Marshal(
					map[string]any{
						"kind":       "reading",
						"step":       "read-8",
						"reading":    "height",
						"condition":  "towel",
						"time":       "8 min",
						"trial":      1,
						"typed":      fmt.Sprintf("%d mm", n),
						"phone_time": time.Now().UTC(),
						"offset_ms":  0,
					},
				)
				for deadline := time.Now().Add(90 * time.Second); ; time.Sleep(20 * time.Millisecond) {
					status, _, err := p.ask("PUT", p.home+"/assignments/"+p.assignment+"/entries/"+id, body)
					if err == nil && status == 200 {
						acknowledged[i] = append(acknowledged[i], sent{id, string(body)})
						break
					}
					if err == nil && status != 503 {
						t.Errorf("entry %d: status %d", n, status)
						break
					}
					if time.Now().After(deadline) {
						t.Errorf("entry %d was never taken: %d %v", n, status, err)
						return
					}
				}
			}
		})
	}
	rng := rand.New(rand.NewPCG(1, 2))
	kills := map[string]int{}
	listen := freeAddress(t)
	server := serveQuietly(t, url, listen)
	line.target.Store(listen)
	for n := range size(200) {
		time.Sleep(time.Duration(100+rng.IntN(250)) * time.Millisecond)
		switch what := []string{"server", "connections", "server", "database", "answers"}[n%5]; what {
		case "answers":
			line.swallow.Store(3)
			kills[what]++
		case "connections":
			dbLine.drop()
			kills[what]++
		case "database":
			if err := cluster.Crash(); err != nil {
				t.Fatal(err)
			}
			var err error
			if cluster, err = postgres.Start(context.Background(), options); err != nil {
				t.Fatal(err)
			}
			at, _ := neturl.Parse(cluster.URL)
			dbLine.target.Store(at.Host)
			kills[what]++
		default:
			server.kill()
			listen = freeAddress(t)
			server = serveQuietly(t, url, listen)
			line.target.Store(listen)
			kills[what]++
		}
	}
	time.Sleep(time.Second)
	close(stop)
	writers.Wait()

	total := 0
	for i := range phones {
		for _, a := range acknowledged[i] {
			var n int
			var body string
			if err := st.Pool().QueryRow(context.Background(), `SELECT count(*), max(convert_from(body, 'UTF8'))
				FROM entry WHERE id = $1`, a.id).Scan(&n, &body); err != nil ||
				n != 1 ||
				body != a.body {
				t.Errorf("acknowledged entry %s is there %d times, %v", a.id, n, err)
			}
			total++
		}
	}
	var stored int
	if err := st.Pool().QueryRow(context.Background(), `SELECT count(*) FROM entry WHERE kind = 'reading'
		AND received_at > $1`, began).Scan(&stored); err != nil ||
		stored != total {
		t.Errorf("%d entries acknowledged and %d stored: %v", total, stored, err)
	}
	t.Logf("%d entries acknowledged over %v kills", total, kills)
	if total < 20*len(phones) {
		t.Errorf("%d entries acknowledged: too few to say anything", total)
	}
}

// serveQuietly starts a server and waits until it answers; it is killed by
// the caller.
func serveQuietly(t testing.TB, url, listen string) *program {
	p := start(
		t,
		[]string{
			"PK_DATABASE_URL=" + url,
			"PK_LISTEN=" + listen,
			"PK_PUBLIC_URL=http://127.0.0.1",
			"PK_SECRETS=a:" + strings.Repeat("ab", 32),
		},
		"serve",
	)
	awaitReady(t, "http://"+listen)
	return p
}

// A server that lacks a setting, or whose database is older, says so in a
// sentence and does not start.
func TestServerSaysWhatIsMissing(t *testing.T) {
	url := database(t)
	run := func(env ...string) string {
		p := start(t, env, "serve")
		done := make(chan error, 1)
		go func() { done <- p.cmd.Wait() }()
		select {
		case err := <-done:
			if err == nil {
				t.Error("it ended well")
			}
		case <-time.After(10 * time.Second):
			t.Error("it started")
		}
		return ""
	}
	run("PK_DATABASE_URL=", "PK_SECRETS=")
	st := openStore(t, url)
	if _, err := st.Pool().Exec(context.Background(), `DELETE FROM goose_db_version WHERE version_id > 0`); err != nil {
		t.Fatal(err)
	}
	run(
		"PK_DATABASE_URL="+url,
		"PK_LISTEN="+freeAddress(t),
		"PK_PUBLIC_URL=http://127.0.0.1",
		"PK_SECRETS=a:"+strings.Repeat("ab", 32),
	)
}
