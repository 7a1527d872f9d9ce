package main

import (
	"bufio"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"log/slog"
	"maps"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// tool is an app for commands that show no links.
func tool(s *store.Store) *app.App { return &app.App{Store: s, Now: time.Now} }

func addTeacher(ctx context.Context, email, name string) error {
	return withPassword(ctx, func(a *app.App, password string) error {
		t, err := a.AddTeacher(ctx, email, name, password)
		if err == nil {
			fmt.Fprintf(os.Stderr, "\n%s can sign in as %s.\n", t.Name, t.Email)
		}
		return err
	})
}

// withPassword reads a password from standard input.
func withPassword(ctx context.Context, f func(*app.App, string) error) error {
	return withStore(ctx, func(s *store.Store) error {
		if err := s.CheckSchema(ctx); err != nil {
			return err
		}
		fmt.Fprintf(os.Stderr, "Password (at least %d signs): ", app.LeastPassword)
		password, err := bufio.NewReader(os.Stdin).ReadString('\n')
		if err != nil && err != io.EOF {
			return err
		}
		return f(tool(s), strings.TrimRight(password, "\r\n"))
	})
}

// setPassword gives a teacher another password and signs all browsers out.
func setPassword(ctx context.Context, email string) error {
	return withPassword(ctx, func(a *app.App, password string) error {
		t, err := a.SetPassword(ctx, email, password)
		if err != nil {
			return unknownTeacher(err, email)
		}
		server := &api.Server{App: a}
		if err := server.EndSessions(ctx, app.TeacherActor{ID: t.ID}); err != nil {
			return err
		}
		fmt.Fprintf(os.Stderr, "\n%s has another password and is signed out everywhere.\n", t.Name)
		return nil
	})
}

// removeTeacher takes an account away and signs all browsers out.
func removeTeacher(ctx context.Context, email string) error {
	return withStore(ctx, func(s *store.Store) error {
		if err := s.CheckSchema(ctx); err != nil {
			return err
		}
		who, err := teacherByEmail(ctx, s, email)
		if err != nil {
			return err
		}
		a := tool(s)
		if err := a.RemoveTeacher(ctx, email); err != nil {
			return unknownTeacher(err, email)
		}
		server := &api.Server{App: a}
		if err := server.EndSessions(ctx, who); err != nil {
			return err
		}
		fmt.Fprintf(os.Stderr, "%s is removed.\n", email)
		return nil
	})
}

func unknownTeacher(err error, email string) error {
	if errors.Is(err, refusal.ErrNotFound) {
		return fmt.Errorf("there is no teacher %s", email)
	}
	return err
}

func backup(ctx context.Context, s *store.Store, file string) error {
	if file == "-" {
		return s.Backup(ctx, os.Stdout)
	}
	f, err := os.OpenFile(file, os.O_WRONLY|os.O_CREATE|os.O_EXCL, 0o600)
	if err != nil {
		return err
	}
	if err := s.Backup(ctx, f); err != nil {
		f.Close()
		return err
	}
	return f.Close()
}

func restore(ctx context.Context, s *store.Store, file string) error {
	in := os.Stdin
	if file != "-" {
		f, err := os.Open(file)
		if err != nil {
			return err
		}
		defer f.Close()
		in = f
	}
	if err := s.Migrate(ctx); err != nil {
		return err
	}
	restored, err := s.Restore(ctx, bufio.NewReader(in))
	for _, r := range restored {
		fmt.Fprintf(os.Stderr, "%-20s %8d rows\n", r.Table, r.Rows)
	}
	return err
}

func teacherByEmail(ctx context.Context, s *store.Store, email string) (app.TeacherActor, error) {
	t, err := s.TeacherByEmail(ctx, strings.ToLower(email))
	if err != nil {
		return app.TeacherActor{}, fmt.Errorf("there is no teacher %s", email)
	}
	return app.TeacherActor{ID: t.ID}, nil
}

func exportExperiment(ctx context.Context, s *store.Store, email, title string) error {
	who, err := teacherByEmail(ctx, s, email)
	if err != nil {
		return err
	}
	rows, err := s.Experiments(ctx, who.ID)
	if err != nil {
		return err
	}
	for _, e := range rows {
		if slices.Contains(slices.Collect(maps.Values(e.Title)), title) {
			_, err := os.Stdout.Write(e.Draft)
			return err
		}
	}
	return fmt.Errorf("%s has no experiment called %q", email, title)
}

func importExperiment(ctx context.Context, s *store.Store, email, file string) error {
	who, err := teacherByEmail(ctx, s, email)
	if err != nil {
		return err
	}
	raw, err := os.ReadFile(file)
	if err != nil {
		return err
	}
	v, err := tool(s).AddExperiment(ctx, who, raw, "en")
	if err != nil {
		return err
	}
	for _, f := range v.Review.Validation {
		fmt.Fprintf(os.Stderr, "%s %s: %s %s\n", f.Severity, f.Path, f.Message, f.Mend)
	}
	fmt.Println(v.ID)
	return nil
}

// writeSchemas writes the published schemas from the types in the code.
func writeSchemas(dir string) error {
	log := slog.New(slog.DiscardHandler)
	s, err := store.Open(context.Background(), "postgres://nobody@127.0.0.1:1/nothing") // described, never connected to
	if err != nil {
		return err
	}
	defer s.Close()
	server := &api.Server{App: &app.App{Store: s, Keys: keys.NewRing(nil), Now: time.Now, Log: log}, Log: log}
	server.Routes()
	openapi, err := server.OpenAPI()
	if err != nil {
		return err
	}
	experiment, err := api.ExperimentSchema()
	if err != nil {
		return err
	}
	things, err := api.LarderSchema()
	if err != nil {
		return err
	}
	readings, err := api.ReadingsSchema()
	if err != nil {
		return err
	}
	kitchens, err := api.KitchensSchema()
	if err != nil {
		return err
	}
	for name, raw := range map[string][]byte{"openapi.json": openapi, "experiment.schema.json": experiment,
		"larder.schema.json": things, "readings.schema.json": readings, "kitchens.schema.json": kitchens} {
		var v any
		if err := json.Unmarshal(raw, &v); err != nil {
			return err
		}
		pretty, err := json.MarshalIndent(v, "", " ")
		if err != nil {
			return err
		}
		if err := os.WriteFile(filepath.Join(dir, name), append(pretty, '\n'), 0o644); err != nil {
			return err
		}
	}
	return nil
}
