package store

import (
	"archive/tar"
	"context"
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"
	"time"

	"github.com/jackc/pgx/v5"
)

// tables are all tables in an order in which they can be filled again; a test
// compares them with the database.
var tables = []string{
	"teacher",
	"sessions",
	"attempt",
	"class",
	"home",
	"kitchen",
	"student",
	"link",
	"home_device",
	"experiment",
	"picture",
	"pin",
	"asked",
	"message",
	"held",
	"experiment_version",
	"version_sheet",
	"assessment",
	"own_entry",
	"assignment",
	"home_plan",
	"permission_event",
	"entry",
	"media",
	"media_bytes",
	"incident",
	"incident_event",
	"audit",
	"marker",
}

// The archive begins with the schema's number and ends with a sum of each table.
const (
	schemaFile = "schema"
	sumsFile   = "sums"
)

// schema is the number of the database's schema, and this program's.
func (s *Store) schema(ctx context.Context) (have, want int64, err error) {
	p, done, err := provider(s.pool)
	if err != nil {
		return 0, 0, err
	}
	defer done()
	return p.GetVersions(ctx)
}

// Backup writes everything, as of one moment, as a tar archive of tables in
// PostgreSQL's binary COPY form, with the schema's number and a SHA-256 of each
// table. It refuses a database whose schema is not this program's: there may be
// tables it does not know.
func (s *Store) Backup(ctx context.Context, w io.Writer) error {
	have, want, err := s.schema(ctx)
	if err != nil {
		return err
	}
	if have != want {
		return fmt.Errorf(
			"the database has schema %d and this program knows schema %d: back up with the program that serves it",
			have,
			want,
		)
	}
	out := tar.NewWriter(w)
	add := func(name string, data []byte) error {
		if err := out.WriteHeader(&tar.Header{Name: name, Mode: 0o600, Size: int64(len(data)),
			ModTime: time.Unix(0, 0)}); err != nil {
			return err
		}
		_, err := out.Write(data)
		return err
	}
	if err := add(schemaFile, []byte(fmt.Sprint(have))); err != nil {
		return err
	}
	sums := map[string]string{}
	err = pgx.BeginTxFunc(
		ctx,
		s.pool,
		pgx.TxOptions{IsoLevel: pgx.RepeatableRead, AccessMode: pgx.ReadOnly},
		func(tx pgx.Tx) error {
			for _, t := range tables {
				// A table goes through a temporary file, since tar wants its size first.
				tmp, err := os.CreateTemp("", "patient-kitchen-backup-")
				if err != nil {
					return err
				}
				sums[t], err = copyTable(ctx, tx, t, tmp, out)
				tmp.Close()
				os.Remove(tmp.Name())
				if err != nil {
					return fmt.Errorf("%s: %w", t, err)
				}
			}
			return nil
		},
	)
	if err == nil {
		var raw []byte
		if raw, err = json.Marshal(sums); err == nil {
			err = add(sumsFile, raw)
		}
	}
	return errors.Join(err, out.Close())
}

// copyTable writes a table and gives its sum.
func copyTable(ctx context.Context, tx pgx.Tx, table string, tmp *os.File, out *tar.Writer) (string, error) {
	sum := sha256.New()
	if _, err := tx.Conn().PgConn().CopyTo(ctx, io.MultiWriter(tmp, sum), "COPY "+table+
		" TO STDOUT (FORMAT binary)"); err != nil {
		return "", err
	}
	size, err := tmp.Seek(0, io.SeekEnd)
	if err != nil {
		return "", err
	}
	if _, err := tmp.Seek(0, io.SeekStart); err != nil {
		return "", err
	}
	if err := out.WriteHeader(&tar.Header{Name: table, Mode: 0o600, Size: size, ModTime: time.Unix(0, 0)}); err != nil {
		return "", err
	}
	_, err = io.Copy(out, tmp)
	return hex.EncodeToString(sum.Sum(nil)), err
}

// ErrNotEmpty says that a database to restore into holds something already.
var ErrNotEmpty = errors.New("the database is not empty; restore into a new one")

// Restored is how much of a table was put back.
type Restored struct {
	Table string
	Rows  int64
}

// Restore fills an empty, migrated database from a backup of the same schema,
// wholly or not at all, and says what it put back. Every table has to have the
// sum it was written with, and every entry its own.
func (s *Store) Restore(ctx context.Context, r io.Reader) ([]Restored, error) {
	_, version, err := s.schema(ctx)
	if err != nil {
		return nil, err
	}
	in := tar.NewReader(r)
	var out []Restored
	err = pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		var used bool
		if err := tx.QueryRow(ctx, `SELECT EXISTS (SELECT FROM teacher) OR EXISTS (SELECT FROM marker)`).Scan(
			&used); err != nil {
			return err
		}
		if used {
			return ErrNotEmpty
		}
		raw, err := named(in, schemaFile, 20)
		if err != nil {
			return err
		}
		if string(raw) != fmt.Sprint(version) {
			return fmt.Errorf(
				"the backup has schema %s and this program makes %d; use the program it was made with",
				raw,
				version,
			)
		}
		sums := map[string]string{}
		for _, t := range tables {
			h, err := in.Next()
			if err != nil {
				return fmt.Errorf("the backup breaks off before %s: %w", t, err)
			}
			if h.Name != t {
				return fmt.Errorf("the backup holds %q where %q was expected", h.Name, t)
			}
			sum := sha256.New()
			tag, err := tx.Conn().PgConn().CopyFrom(ctx, io.TeeReader(in, sum), "COPY "+t+" FROM STDIN (FORMAT binary)")
			if err != nil {
				return fmt.Errorf("%s cannot be read: %w", t, err)
			}
			sums[t] = hex.EncodeToString(sum.Sum(nil))
			out = append(out, Restored{t, tag.RowsAffected()})
		}
		if raw, err = named(in, sumsFile, 1<<20); err != nil {
			return err
		}
		var written map[string]string
		if err := json.Unmarshal(raw, &written); err != nil {
			return fmt.Errorf("the sums of the backup cannot be read: %w", err)
		}
		for _, t := range tables {
			if sums[t] != written[t] {
				return fmt.Errorf("%s is not as it was written: the backup was damaged", t)
			}
		}
		var changed int
		if err := tx.QueryRow(ctx, `SELECT count(*) FROM entry WHERE sha256(body) <> body_sha`).Scan(
			&changed); err != nil {
			return err
		}
		if changed > 0 {
			return fmt.Errorf(
				"%d entries are not what their homes sent: the backup was damaged before it was made",
				changed,
			)
		}
		return nil
	})
	if err != nil {
		return nil, err
	}
	return out, nil
}

// named reads the next file of an archive, which has to have a name.
func named(in *tar.Reader, name string, most int64) ([]byte, error) {
	h, err := in.Next()
	if err != nil {
		return nil, fmt.Errorf("the backup cannot be read: %w", err)
	}
	if h.Name != name {
		return nil, fmt.Errorf("the backup holds %q where its %s was expected", h.Name, name)
	}
	return io.ReadAll(io.LimitReader(in, most))
}
