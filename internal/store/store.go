package store

import (
	"context"
	"errors"
	"fmt"
	"io"
	"net"
	"reflect"
	"regexp"
	"slices"
	"strings"

	"github.com/google/uuid"
	"github.com/jackc/pgx/v5"
	"github.com/jackc/pgx/v5/pgconn"
	"github.com/jackc/pgx/v5/pgxpool"
	pgxuuid "github.com/vgarvardt/pgx-google-uuid/v5"
)

// ErrNotFound is returned for a row that is not there.
var ErrNotFound = errors.New("not found")

// ErrConflict is returned when a row is there already or was changed meanwhile.
var ErrConflict = errors.New("conflict")

// runner is what queries need of a pool or a transaction.
type runner interface {
	Exec(ctx context.Context, sql string, args ...any) (pgconn.CommandTag, error)
	Query(ctx context.Context, sql string, args ...any) (pgx.Rows, error)
}

// Store runs queries outside a transaction; InTx gives one inside.
type Store struct {
	pool    *pgxpool.Pool
	hints   hints
	entries together
	Queries
}

// Queries are all queries; they run on a pool or in a transaction.
type Queries struct {
	db     runner
	events []Event // to be told once the transaction is committed
}

// Open connects to a database. The pool stays lazy: it fails here only on an
// address it cannot read.
func Open(ctx context.Context, url string, settings ...func(*pgxpool.Config)) (*Store, error) {
	cfg, err := pgxpool.ParseConfig(url)
	if err != nil {
		return nil, fmt.Errorf("PK_DATABASE_URL cannot be read: %w", err)
	}
	if !strings.Contains(url, "pool_max_conns") {
		cfg.MaxConns = 7 // and one that listens: three processes share twenty-five
	}
	// Every query looks up by keys: a plan made anew each time costs more than it can win.
	if _, set := cfg.ConnConfig.RuntimeParams["plan_cache_mode"]; !set {
		cfg.ConnConfig.RuntimeParams["plan_cache_mode"] = "force_generic_plan"
	}
	cfg.AfterConnect = func(_ context.Context, c *pgx.Conn) error {
		pgxuuid.Register(c.TypeMap())
		return nil
	}
	for _, set := range settings {
		set(cfg)
	}
	pool, err := pgxpool.NewWithConfig(ctx, cfg)
	if err != nil {
		return nil, err
	}
	return &Store{pool: pool, Queries: Queries{db: pool}}, nil
}

// Traced lets a tracer see every query; tests count with it.
func Traced(tracer pgx.QueryTracer) func(*pgxpool.Config) {
	return func(cfg *pgxpool.Config) { cfg.ConnConfig.Tracer = tracer }
}

// Serving is for a server: no statement and no lock is waited for long, so that
// one that hangs does not take the others' connections. Each may be set
// otherwise in the address of the database.
func Serving(cfg *pgxpool.Config) {
	for name, value := range map[string]string{"statement_timeout": "10s", "lock_timeout": "5s",
		"idle_in_transaction_session_timeout": "30s"} {
		if _, set := cfg.ConnConfig.RuntimeParams[name]; !set {
			cfg.ConnConfig.RuntimeParams[name] = value
		}
	}
}

// Close tells what is still to be told and closes all connections.
func (s *Store) Close() {
	s.tell()
	s.pool.Close()
}

// Pool is the pool itself, for sessions and for listening.
func (s *Store) Pool() *pgxpool.Pool { return s.pool }

// TryWrite reports whether the database takes something in: a quarter of a
// megabyte that is gone again at once. Full says whether only room is missing.
func (s *Store) TryWrite(ctx context.Context) error {
	_, err := s.pool.Exec(
		ctx,
		`CREATE TEMP TABLE room ON COMMIT DROP AS SELECT repeat('x', 1000) FROM generate_series(1, 256)`,
	)
	return err
}

// InTx runs f in a transaction that is committed when f returns nil. What it
// says has changed is told after that.
func (s *Store) InTx(ctx context.Context, f func(q *Queries) error) error {
	q := &Queries{}
	err := pgx.BeginFunc(ctx, s.pool, func(tx pgx.Tx) error {
		q.db = tx
		return f(q)
	})
	if err == nil {
		s.Hint(q.events...)
	}
	return err
}

// columns names the columns of a table that fill a struct, so that a process
// goes on when a newer one has added others.
func columns[T any](table string) string {
	t := reflect.TypeFor[T]()
	names := make([]string, t.NumField())
	for i := range names {
		names[i] = table + "." + strings.ToLower(upper.ReplaceAllString(t.Field(i).Name, "${1}_$2"))
	}
	return strings.Join(names, ", ")
}

var upper = regexp.MustCompile(`([a-z0-9])([A-Z])`)

// one reads exactly one row into T by column names.
func one[T any](ctx context.Context, q *Queries, sql string, args ...any) (T, error) {
	var zero T
	rows, err := q.db.Query(ctx, sql, args...)
	if err != nil {
		return zero, translate(err)
	}
	v, err := pgx.CollectExactlyOneRow(rows, pgx.RowToStructByName[T])
	return v, translate(err)
}

// many reads all rows into T by column names; the list is never nil.
func many[T any](ctx context.Context, q *Queries, sql string, args ...any) ([]T, error) {
	rows, err := q.db.Query(ctx, sql, args...)
	if err != nil {
		return nil, translate(err)
	}
	out, err := pgx.CollectRows(rows, pgx.RowToStructByName[T])
	if out == nil {
		out = []T{}
	}
	return out, translate(err)
}

// exec runs a statement; it gives ErrNotFound when want rows are not touched.
func (q *Queries) exec(ctx context.Context, want int64, sql string, args ...any) error {
	tag, err := q.db.Exec(ctx, sql, args...)
	if err != nil {
		return translate(err)
	}
	if want > 0 && tag.RowsAffected() < want {
		return ErrNotFound
	}
	return nil
}

func translate(err error) error {
	if errors.Is(err, pgx.ErrNoRows) {
		return ErrNotFound
	}
	var pg *pgconn.PgError
	if errors.As(err, &pg) && pg.Code == "23505" {
		return fmt.Errorf("%w: %s", ErrConflict, pg.ConstraintName)
	}
	return err
}

// Unavailable reports whether an error says that the database does not answer
// now, or not in time: nothing is wrong with what was asked, and it may be asked
// again.
func Unavailable(err error) bool {
	var pg *pgconn.PgError
	var connect *pgconn.ConnectError
	switch {
	case errors.As(err, &pg):
		// query canceled, lock not available, too many connections, shutdown and start, connection lost
		return slices.Contains([]string{"57014", "55P03", "53300", "57P01", "57P02", "57P03"}, pg.Code) ||
			strings.HasPrefix(pg.Code, "08")
	case errors.As(err, &connect),
		errors.Is(err, context.DeadlineExceeded),
		errors.Is(err, io.ErrUnexpectedEOF),
		pgconn.SafeToRetry(err):
		return true
	}
	var network net.Error
	return errors.As(err, &network)
}

// Full reports whether an error says that the database's disk is full.
func Full(err error) bool {
	var pg *pgconn.PgError
	return errors.As(err, &pg) && pg.Code == "53100"
}

// NewID is a fresh UUIDv7.
func NewID() uuid.UUID { return uuid.Must(uuid.NewV7()) }
