// Command with-postgres starts a throw-away PostgreSQL, runs a command with
// its address in PK_TEST_DATABASE, stops it again, and ends with the
// command's status. ./test runs the tests under it. With --durable the server
// keeps what it has taken, as a real one does, and the command finds
// PK_TEST_DURABLE set.
package main

import (
	"context"
	"fmt"
	"os"
	"os/exec"
	"syscall"

	"patient-kitchen/internal/postgres"
)

func main() {
	command, durable := os.Args[1:], false
	if len(command) > 0 && command[0] == "--durable" {
		command, durable = command[1:], true
	}
	if len(command) == 0 {
		fmt.Fprintln(os.Stderr, "usage: with-postgres [--durable] COMMAND [ARGUMENT …]")
		os.Exit(2)
	}
	os.Exit(run(command, durable))
}

// memory is where files are kept in memory on Linux, and the room that a run may take there.
const (
	memory = "/dev/shm"
	room   = 6 << 30
)

// place is the folder for the server's: in memory where there is room and nothing is to
// be kept, so that a database of its own costs a test a third; else the usual one.
func place(durable bool) string {
	var s syscall.Statfs_t
	if durable || syscall.Statfs(memory, &s) != nil || s.Bavail*uint64(s.Bsize) < room {
		return ""
	}
	return memory
}

func run(command []string, durable bool) int {
	dir, err := os.MkdirTemp(place(durable), "patient-kitchen-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	os.Chmod(dir, 0o755)
	cluster, err := postgres.Start(context.Background(), postgres.Options{Dir: dir + "/pg", Unsafe: !durable})
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cluster.Stop()
	cmd := exec.Command(command[0], command[1:]...)
	cmd.Env = append(os.Environ(), "PK_TEST_DATABASE="+cluster.URL)
	if durable {
		cmd.Env = append(cmd.Env, "PK_TEST_DURABLE=1")
	}
	cmd.Stdin, cmd.Stdout, cmd.Stderr = os.Stdin, os.Stdout, os.Stderr
	if err := cmd.Run(); err != nil {
		if cmd.ProcessState != nil {
			return max(1, cmd.ProcessState.ExitCode())
		}
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	return 0
}
