package store

import (
	"context"
	"embed"
	"fmt"
	"io/fs"

	"github.com/jackc/pgx/v5/pgxpool"
	"github.com/jackc/pgx/v5/stdlib"
	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
)

//go:embed migrations/*.sql
var migrations embed.FS

func provider(pool *pgxpool.Pool) (*goose.Provider, func(), error) {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return nil, nil, err
	}
	locker, err := lock.NewPostgresSessionLocker()
	if err != nil {
		return nil, nil, err
	}
	db := stdlib.OpenDBFromPool(pool)
	p, err := goose.NewProvider(goose.DialectPostgres, db, files, goose.WithSessionLocker(locker))
	return p, func() { db.Close() }, err
}

// Migrate brings the database to this program's schema, under a lock.
func (s *Store) Migrate(ctx context.Context) error {
	p, done, err := provider(s.pool)
	if err != nil {
		return err
	}
	defer done()
	_, err = p.Up(ctx)
	return err
}

// CheckSchema fails with the command to run when the database is older than
// this program, and says so when it is newer.
func (s *Store) CheckSchema(ctx context.Context) error {
	p, done, err := provider(s.pool)
	if err != nil {
		return err
	}
	defer done()
	have, want, err := p.GetVersions(ctx)
	if err != nil {
		return fmt.Errorf("the database could not be asked for its schema: %w", err)
	}
	switch {
	case have < want:
		return fmt.Errorf(
			"the database has schema %d and this program needs %d: run `patient-kitchen migrate`",
			have,
			want,
		)
	case have > want:
		return fmt.Errorf(
			"the database has schema %d and this program knows only %d: start a newer patient-kitchen",
			have,
			want,
		)
	}
	return nil
}
