package postgres

import (
	"context"
	"crypto/rand"
	"encoding/hex"
	"errors"
	"fmt"
	"net"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"sort"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// Options say where a cluster lives and how careful it is.
type Options struct {
	Dir    string // its folder, made when missing
	Unsafe bool   // no fsync: for tests, whose data may be lost
}

// Cluster is a running server.
type Cluster struct {
	dir  string
	bin  string
	cred *syscall.Credential
	URL  string // of the database postgres, as superuser
}

// ErrMissing says that PostgreSQL is not installed.
var ErrMissing = errors.New("PostgreSQL is not installed here; on Debian: apt-get install postgresql")

// Start makes a cluster where there is none, starts it where it does not run,
// and returns its address. One that was left running is taken over.
func Start(ctx context.Context, o Options) (*Cluster, error) {
	bin, err := binaries()
	if err != nil {
		return nil, err
	}
	dir, err := filepath.Abs(o.Dir)
	if err != nil {
		return nil, err
	}
	c := &Cluster{dir: dir, bin: bin}
	if err := c.prepare(); err != nil {
		return nil, err
	}
	data, secret := filepath.Join(dir, "data"), filepath.Join(dir, "password")
	if _, err := os.Stat(filepath.Join(data, "PG_VERSION")); err != nil {
		if err := c.initialise(ctx, data, secret); err != nil {
			return nil, err
		}
	}
	password, err := os.ReadFile(secret)
	if err != nil {
		return nil, fmt.Errorf("the password of the database in %s cannot be read: %w", dir, err)
	}
	port, running := c.runningPort(ctx, data, string(password))
	if !running {
		if port, err = freePort(); err != nil {
			return nil, err
		}
		settings := fmt.Sprintf(
			"-p %d -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c password_encryption=scram-sha-256",
			port,
		)
		if o.Unsafe {
			settings += " -c fsync=off -c synchronous_commit=off -c full_page_writes=off -c max_connections=200"
		}
		if out, err := c.run(ctx, "pg_ctl", "-D", data, "-w", "-t", "60", "-l", filepath.Join(dir, "log"), "-o",
			settings, "start"); err != nil {
			return nil, fmt.Errorf("PostgreSQL did not start (%v); its log is %s/log\n%s", err, dir, out)
		}
	}
	c.URL = address(string(password), port)
	return c, nil
}

func address(password string, port int) string {
	return fmt.Sprintf("postgres://kitchen:%s@127.0.0.1:%d/postgres?sslmode=disable", strings.TrimSpace(password), port)
}

// Stop ends the server; connections are cut.
func (c *Cluster) Stop() error {
	ctx, cancel := context.WithTimeout(context.Background(), 40*time.Second)
	defer cancel()
	out, err := c.run(ctx, "pg_ctl", "-D", filepath.Join(c.dir, "data"), "-w", "-t", "30", "-m", "fast", "stop")
	if err != nil {
		return fmt.Errorf("PostgreSQL did not stop: %v\n%s", err, out)
	}
	return nil
}

// Crash ends the server as a power cut would: nothing is written any more, and
// the next start recovers.
func (c *Cluster) Crash() error {
	ctx, cancel := context.WithTimeout(context.Background(), 40*time.Second)
	defer cancel()
	out, err := c.run(ctx, "pg_ctl", "-D", filepath.Join(c.dir, "data"), "-w", "-t", "30", "-m", "immediate", "stop")
	if err != nil {
		return fmt.Errorf("PostgreSQL did not crash: %v\n%s", err, out)
	}
	return nil
}

// prepare makes the folder and, as root, finds the account that owns it.
func (c *Cluster) prepare() error {
	// Others must be able to pass through the folders above, not look into this one.
	if err := os.MkdirAll(filepath.Dir(c.dir), 0o755); err != nil {
		return err
	}
	if err := os.MkdirAll(c.dir, 0o700); err != nil {
		return err
	}
	if os.Getuid() != 0 {
		return nil
	}
	u, err := user.Lookup("postgres")
	if err != nil {
		return ErrMissing
	}
	uid, _ := strconv.Atoi(u.Uid)
	gid, _ := strconv.Atoi(u.Gid)
	c.cred = &syscall.Credential{Uid: uint32(uid), Gid: uint32(gid)}
	return os.Chown(c.dir, uid, gid)
}

func (c *Cluster) initialise(ctx context.Context, data, secret string) error {
	raw := make([]byte, 24)
	if _, err := rand.Read(raw); err != nil {
		return err
	}
	if err := os.WriteFile(secret, []byte(hex.EncodeToString(raw)+"\n"), 0o600); err != nil {
		return err
	}
	if c.cred != nil {
		if err := os.Chown(secret, int(c.cred.Uid), int(c.cred.Gid)); err != nil {
			return err
		}
	}
	if out, err := c.run(ctx, "initdb", "-D", data, "-U", "kitchen", "-A", "scram-sha-256", "--pwfile", secret, "-E",
		"UTF8", "--locale=C.UTF-8", "-N"); err != nil {
		os.RemoveAll(data)
		return fmt.Errorf("the database could not be made in %s: %v\n%s", data, err, out)
	}
	return nil
}

// runningPort asks whether the cluster runs already, and on which port. A pid
// file left behind by a kill does not count: someone has to answer.
func (c *Cluster) runningPort(ctx context.Context, data, password string) (int, bool) {
	if _, err := c.run(ctx, "pg_ctl", "-D", data, "status"); err != nil {
		return 0, false
	}
	pid, err := os.ReadFile(filepath.Join(data, "postmaster.pid"))
	lines := strings.Split(string(pid), "\n")
	if err != nil || len(lines) < 4 {
		return 0, false
	}
	port, err := strconv.Atoi(strings.TrimSpace(lines[3]))
	if err != nil {
		return 0, false
	}
	for range 50 {
		if conn, err := pgx.Connect(ctx, address(password, port)); err == nil {
			conn.Close(ctx)
			return port, true
		}
		time.Sleep(100 * time.Millisecond)
	}
	// The process of the file is there and nobody answers: it was killed and
	// its number was kept or given to another. The file would bar the start.
	os.Remove(filepath.Join(data, "postmaster.pid"))
	return 0, false
}

func (c *Cluster) run(ctx context.Context, name string, args ...string) (string, error) {
	cmd := exec.CommandContext(ctx, filepath.Join(c.bin, name), args...)
	cmd.Dir = c.dir
	cmd.SysProcAttr = &syscall.SysProcAttr{Credential: c.cred, Setpgid: true}
	cmd.Env = append(os.Environ(), "LC_ALL=C.UTF-8")
	// pg_ctl leaves the server behind, which would hold a pipe open: a file.
	out, err := os.CreateTemp("", "patient-kitchen-pg-")
	if err != nil {
		return "", err
	}
	defer os.Remove(out.Name())
	defer out.Close()
	cmd.Stdout, cmd.Stderr = out, out
	err = cmd.Run()
	text, _ := os.ReadFile(out.Name())
	return string(text), err
}

// binaries finds the folder with initdb: on the PATH or where Debian puts it.
func binaries() (string, error) {
	if p, err := exec.LookPath("initdb"); err == nil {
		if real, err := filepath.EvalSymlinks(p); err == nil {
			return filepath.Dir(real), nil
		}
	}
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/initdb")
	sort.Slice(found, func(i, j int) bool {
		return len(found[i]) < len(found[j]) || len(found[i]) == len(found[j]) && found[i] < found[j]
	})
	if len(found) == 0 {
		return "", ErrMissing
	}
	return filepath.Dir(found[len(found)-1]), nil
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, err
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}
