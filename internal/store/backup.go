package store

import (
	"archive/tar"
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"time"

	"github.com/jackc/pgx/v5"
)

// tables are all tables in an order in which they can be filled again; a test
// compares them with the database.
var tables = []string{"teacher", "sessions", "attempt", "class", "home", "student", "link", "home_device", "experiment", "experiment_version", "version_sheet", "assessment", "own_entry",
	"assignment", "home_plan", "permission_event", "entry", "media", "media_bytes", "incident", "incident_event", "audit", "marker"}

const schemaFile = "schema"

// schema is the number of the database's schema.
func (s *Store) schema(ctx context.Context) (int64, error) {
	p, done, err := provider(s.pool)
	if err != nil {
		return 0, err
	}
	defer done()
	return p.GetDBVersion(ctx)
}

// Backup writes everything, as of one moment, as a tar archive of tables in
// PostgreSQL's binary COPY form, with the schema's number.
func (s *Store) Backup(ctx context.Context, w io.Writer) error {
	version, err := s.schema(ctx)
	if err != nil {
		return err
	}
	out := tar.NewWriter(w)
	add := func(name string, data []byte) error {
		if err := out.WriteHeader(&tar.Header{Name: name, Mode: 0o600, Size: int64(len(data)), ModTime: time.Unix(0, 0)}); err != nil {
			return err
		}
		_, err := out.Write(data)
		return err
	}
	if err := add(schemaFile, []byte(fmt.Sprint(version))); err != nil {
		return err
	}
	err = pgx.BeginTxFunc(ctx, s.pool, pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly}, func(tx pgx.Tx) error {
		for _, t := range tables {
			// A table goes through a temporary file, since tar wants its size first.
			tmp, err := os.CreateTemp("", "patient-kitchen-backup-")
			if err != nil {
				return err
			}
			err = copyTable(ctx, tx, t, tmp, out)
			tmp.Close()
			os.Remove(tmp.Name())
			if err != nil {
				return fmt.Errorf("%s: %w", t, err)
			}
		}
		return nil
	})
	return errors.Join(err, out.Close())
}

func copyTable(ctx context.Context, tx pgx.Tx, table string, tmp *os.File, out *tar.Writer) error {
	if _, err := tx.Conn().PgConn().CopyTo(ctx, tmp, "COPY "+table+" TO STDOUT (FORMAT binary)"); err != nil {
		return err
	}
	size, err := tmp.Seek(0, io.SeekEnd)
	if err != nil {
		return err
	}
	if _, err := tmp.Seek(0, io.SeekStart); err != nil {
		return err
	}
	if err := out.WriteHeader(&tar.Header{Name: table, Mode: 0o600, Size: size, ModTime: time.Unix(0, 0)}); err != nil {
		return err
	}
	_, err = io.Copy(out, tmp)
	return err
}

// ErrNotEmpty says that a database to restore into holds something already.
var ErrNotEmpty = errors.New("the database is not empty; restore into a new one")

// Restore fills an empty, migrated database from a backup of the same schema.
func (s *Store) Restore(ctx context.Context, r io.Reader) error {
	version, err := s.schema(ctx)
	if err != nil {
		return err
	}
	in := tar.NewReader(r)
	return pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		var used bool
		if err := tx.QueryRow(ctx, `SELECT EXISTS (SELECT FROM teacher) OR EXISTS (SELECT FROM marker)`).Scan(&used); err != nil {
			return err
		}
		if used {
			return ErrNotEmpty
		}
		filled := 0
		for {
			h, err := in.Next()
			if err == io.EOF {
				break
			}
			if err != nil {
				return fmt.Errorf("the backup cannot be read: %w", err)
			}
			if h.Name == schemaFile {
				was, err := io.ReadAll(io.LimitReader(in, 20))
				if err != nil || !bytes.Equal(was, []byte(fmt.Sprint(version))) {
					return fmt.Errorf("the backup has schema %s and this program makes %d; use the program it was made with", was, version)
				}
				continue
			}
			if filled >= len(tables) || h.Name != tables[filled] {
				return fmt.Errorf("the backup holds %q where %q was expected", h.Name, tables[min(filled, len(tables)-1)])
			}
			if _, err := tx.Conn().PgConn().CopyFrom(ctx, in, "COPY "+h.Name+" FROM STDIN (FORMAT binary)"); err != nil {
				return fmt.Errorf("%s: %w", h.Name, err)
			}
			filled++
		}
		if filled != len(tables) {
			return fmt.Errorf("the backup breaks off after %d of %d tables", filled, len(tables))
		}
		return nil
	})
}
