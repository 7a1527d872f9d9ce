// Package storetest gives each test a database of its own, cloned from a
// template that is migrated once per run.
//
// It must be used by tests only; without ./test around them they fail with a
// word on how to run them. Start reading at [New].
package storetest

import (
	"context"
	"fmt"
	"os"
	"strings"
	"sync"
	"testing"

	"github.com/jackc/pgx/v5"

	"patient-kitchen/internal/store"
)

const template = "kitchen_template"

var (
	once     sync.Once
	onceErr  error
	sequence int
	mu       sync.Mutex
)

// URL makes an empty migrated database that is dropped when the test ends,
// and returns its address. Without a server of its own the test is skipped: ./test starts one.
func URL(t testing.TB) string {
	t.Helper()
	return cloned(t, migrated(t), template)
}

// Copy makes a copy of a database that nobody is connected to, dropped when the test
// ends, and returns the copy's address.
func Copy(t testing.TB, name string) string {
	t.Helper()
	return cloned(t, server(t), name)
}

// Template makes an empty migrated database that stays until the server of the run
// goes, to be filled and then copied. It returns its name and address.
func Template(t testing.TB) (name, url string) {
	t.Helper()
	admin := migrated(t)
	name = next()
	if err := execute(admin, `CREATE DATABASE `+name+` TEMPLATE `+template); err != nil {
		t.Fatal(err)
	}
	return name, address(admin, name)
}

// migrated is the server's address, with the empty template on it.
func migrated(t testing.TB) string {
	t.Helper()
	admin := server(t)
	once.Do(func() { onceErr = makeTemplate(admin) })
	if onceErr != nil {
		t.Fatal(onceErr)
	}
	return admin
}

func server(t testing.TB) string {
	t.Helper()
	admin := os.Getenv("PK_TEST_DATABASE")
	if admin == "" {
		t.Skip("this test needs PostgreSQL: run ./test, or go run ./cmd/with-postgres go test ./...")
	}
	return admin
}

func cloned(t testing.TB, admin, from string) string {
	t.Helper()
	name := next()
	if err := execute(admin, `CREATE DATABASE `+name+` TEMPLATE `+from); err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() {
		if err := execute(admin, `DROP DATABASE IF EXISTS `+name+` WITH (FORCE)`); err != nil {
			t.Log(err)
		}
	})
	return address(admin, name)
}

func next() string {
	mu.Lock()
	defer mu.Unlock()
	sequence++
	return fmt.Sprintf("kitchen_%d_%d", os.Getpid(), sequence)
}

func address(admin, name string) string {
	return strings.Replace(admin, "/postgres?", "/"+name+"?", 1)
}

// New opens such a database.
func New(t testing.TB) *store.Store {
	t.Helper()
	s, err := store.Open(context.Background(), URL(t))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	return s
}

// makeTemplate migrates the template once for all packages of a run: several
// test processes meet at an advisory lock.
func makeTemplate(admin string) error {
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, admin)
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	if _, err := conn.Exec(ctx, `SELECT pg_advisory_lock(hashtext($1))`, template); err != nil {
		return err
	}
	var there bool
	if err := conn.QueryRow(ctx, `SELECT EXISTS (SELECT FROM pg_database WHERE datname = $1)`,
		template).Scan(&there); err != nil ||
		there {
		return err
	}
	if _, err := conn.Exec(ctx, `CREATE DATABASE `+template); err != nil {
		return err
	}
	s, err := store.Open(ctx, address(admin, template))
	if err != nil {
		return err
	}
	defer s.Close()
	return s.Migrate(ctx)
}

func execute(admin, sql string) error {
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, admin)
	if err != nil {
		return err
	}
	defer conn.Close(ctx)
	_, err = conn.Exec(ctx, sql)
	return err
}
