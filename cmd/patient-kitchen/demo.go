package main

import (
	"context"
	"crypto/rand"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"flag"
	"fmt"
	"io"
	"log/slog"
	"net"
	"os"
	"path/filepath"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"

	"patient-kitchen/internal/config"
	"patient-kitchen/internal/demo"
	"patient-kitchen/internal/postgres"
	"patient-kitchen/internal/store"
)

const demoDatabase = "kitchen_demo"

// runDemo starts a private PostgreSQL, makes up the school where it is not
// there yet, and serves on the loopback address until it is stopped.
func runDemo(ctx context.Context, args []string) error {
	flags := flag.NewFlagSet("demo", flag.ContinueOnError)
	flags.SetOutput(io.Discard)
	fresh := flags.Bool("fresh", false, "")
	dir := flags.String("dir", "", "")
	listen := flags.String("listen", "127.0.0.1:8080", "")
	if err := flags.Parse(args); err != nil || flags.NArg() > 0 {
		return errUsage
	}
	if *dir == "" {
		var err error
		if *dir, err = demoDir(); err != nil {
			return err
		}
	}
	url := os.Getenv("PK_DATABASE_URL")
	if url == "" {
		cluster, err := postgres.Start(ctx, postgres.Options{Dir: *dir})
		if err != nil {
			return err
		}
		defer func() {
			if err := cluster.Stop(); err != nil {
				fmt.Fprintln(os.Stderr, err)
			}
		}()
		if url, err = makeDatabase(ctx, cluster.URL, *fresh); err != nil {
			return err
		}
	} else if *fresh {
		return errors.New("--fresh works on the demo's own database; PK_DATABASE_URL names another, empty it yourself")
	}
	return serveDemo(ctx, url, *dir, *listen)
}

// demoDir is where the demo keeps its database: as root outside the checkout,
// since PostgreSQL runs under another account that may not look in there.
func demoDir() (string, error) {
	here, err := os.Getwd()
	if err != nil {
		return "", err
	}
	if os.Getuid() == 0 {
		sum := sha256.Sum256([]byte(here))
		return filepath.Join("/var/lib/patient-kitchen", hex.EncodeToString(sum[:6])), nil
	}
	return filepath.Join(here, ".local", "pg"), nil
}

func makeDatabase(ctx context.Context, admin string, fresh bool) (string, error) {
	conn, err := pgx.Connect(ctx, admin)
	if err != nil {
		return "", err
	}
	defer conn.Close(ctx)
	if fresh {
		if _, err := conn.Exec(ctx, `DROP DATABASE IF EXISTS `+demoDatabase+` WITH (FORCE)`); err != nil {
			return "", err
		}
	}
	var there bool
	if err := conn.QueryRow(ctx, `SELECT EXISTS (SELECT FROM pg_database WHERE datname = $1)`,
		demoDatabase).Scan(&there); err != nil {
		return "", err
	}
	if !there {
		if _, err := conn.Exec(ctx, `CREATE DATABASE `+demoDatabase); err != nil {
			return "", err
		}
	}
	return strings.Replace(admin, "/postgres?", "/"+demoDatabase+"?", 1), nil
}

func serveDemo(ctx context.Context, url, dir, listen string) error {
	s, err := store.Open(ctx, url)
	if err != nil {
		return err
	}
	defer s.Close()
	if err := s.Migrate(ctx); err != nil {
		return err
	}
	secret, err := demoSecret(dir)
	if err != nil {
		return err
	}
	l, err := net.Listen("tcp", listen)
	if err != nil {
		if l, err = net.Listen("tcp", "127.0.0.1:0"); err != nil {
			return err
		}
	}
	c := config.Config{
		DatabaseURL: url,
		Listen:      l.Addr().String(),
		PublicURL:   "http://" + l.Addr().String(),
		Secrets:     []config.Secret{secret},
	}
	log := slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: slog.LevelWarn}))
	ready, err := demo.Ready(ctx, s)
	if err != nil {
		return err
	}
	if !ready {
		fmt.Println("Making up a school in a snow week …")
		if err := demo.Seed(ctx, newApp(c, s, log), time.Now(), 2027); err != nil {
			return err
		}
	}
	if err := sayHow(ctx, c, s, log); err != nil {
		return err
	}
	return serveOn(ctx, l, c, s, log)
}

// demoSecret keeps the demo's signing secret beside its database, so that
// links stay the same when it is started again.
func demoSecret(dir string) (config.Secret, error) {
	if err := os.MkdirAll(dir, 0o700); err != nil {
		return config.Secret{}, err
	}
	file := filepath.Join(dir, "secret")
	raw, err := os.ReadFile(file)
	if errors.Is(err, os.ErrNotExist) {
		raw = make([]byte, 32)
		rand.Read(raw)
		err = os.WriteFile(file, raw, 0o600)
	}
	return config.Secret{ID: "demo", Key: raw}, err
}

func sayHow(ctx context.Context, c config.Config, s *store.Store, log *slog.Logger) error {
	a := newApp(c, s, log)
	links, err := demo.Links(ctx, a, "Gorse", "Kestrel")
	if err != nil {
		return err
	}
	fmt.Printf(`
Patient Kitchen is ready.

  Teacher   %s/today
            sign in as %s with the password: %s
  Families  Gorse (English)  %s
            Kestrel (Spanish) %s
            best in a window 390 pixels wide

Stop it with Ctrl C. Begin anew with ./demo --fresh
`, c.PublicURL, demo.Email, demo.Password, links[0], links[1])
	return nil
}
