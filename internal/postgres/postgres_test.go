package postgres

import (
	"context"
	"os"
	"path/filepath"
	"strings"
	"syscall"
	"testing"

	"github.com/jackc/pgx/v5"
)

func query(t *testing.T, url, sql string) string {
	t.Helper()
	conn, err := pgx.Connect(context.Background(), url)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(context.Background())
	var s string
	if err := conn.QueryRow(context.Background(), sql).Scan(&s); err != nil {
		t.Fatal(err)
	}
	return s
}

// A cluster is made, taken over while it runs, started again after a kill
// that leaves its pid file behind, and keeps its data throughout. It listens
// on the loopback address only and lets nobody in without the password.
func TestStartTakeOverAndKill(t *testing.T) {
	dir, err := os.MkdirTemp("", "patient-kitchen-cluster-")
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { os.RemoveAll(dir) })
	os.Chmod(dir, 0o755)
	ctx := context.Background()
	start := func() *Cluster {
		t.Helper()
		c, err := Start(ctx, Options{Dir: filepath.Join(dir, "pg")})
		if err != nil {
			t.Fatal(err)
		}
		return c
	}
	first := start()
	conn, err := pgx.Connect(ctx, first.URL)
	if err != nil {
		t.Fatal(err)
	}
	if _, err := conn.Exec(ctx, `CREATE TABLE kept AS SELECT 1 AS x`); err != nil {
		t.Fatal(err)
	}
	conn.Close(ctx)
	if listens := query(t, first.URL,
		`SELECT current_setting('listen_addresses') || current_setting('unix_socket_directories') || current_setting('server_encoding')`); listens != "127.0.0.1UTF8" {
		t.Errorf("it listens on %q", listens)
	}
	if info, err := os.Stat(filepath.Join(dir, "pg", "password")); err != nil || info.Mode().Perm() != 0o600 {
		t.Errorf("the password's file: %v %v", info, err)
	}
	at := strings.IndexByte(first.URL, '@')
	if _, err := pgx.Connect(ctx, first.URL[:len("postgres://kitchen:")]+"guess"+first.URL[at:]); err == nil {
		t.Error("a guessed password was let in")
	}
	if second := start(); second.URL != first.URL {
		t.Errorf("one that runs is taken over: %s, then %s", first.URL, second.URL)
	}
	pid := query(t, first.URL, `SELECT pg_read_file('postmaster.pid')`)
	n := 0
	for _, d := range pid[:strings.IndexByte(pid, '\n')] {
		n = n*10 + int(d-'0')
	}
	if err := syscall.Kill(n, syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	third := start()
	if query(t, third.URL, `SELECT count(*)::text FROM kept`) != "1" {
		t.Error("its data is gone")
	}
	if err := third.Stop(); err != nil {
		t.Error(err)
	}
	if _, err := pgx.Connect(ctx, third.URL); err == nil {
		t.Error("it still answers after stopping")
	}
}
