// Command with-postgres starts a throw-away PostgreSQL, runs a command with
// its address in PK_TEST_DATABASE, stops it again, and ends with the
// command's status. ./test runs the tests under it.
package main

import (
	"context"
	"fmt"
	"os"
	"os/exec"

	"patient-kitchen/internal/postgres"
)

func main() {
	if len(os.Args) < 2 {
		fmt.Fprintln(os.Stderr, "usage: with-postgres COMMAND [ARGUMENT …]")
		os.Exit(2)
	}
	os.Exit(run(os.Args[1:]))
}

func run(command []string) int {
	dir, err := os.MkdirTemp("", "patient-kitchen-test-")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	os.Chmod(dir, 0o755)
	cluster, err := postgres.Start(context.Background(), postgres.Options{Dir: dir + "/pg", Unsafe: true})
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cluster.Stop()
	cmd := exec.Command(command[0], command[1:]...)
	cmd.Env = append(os.Environ(), "PK_TEST_DATABASE="+cluster.URL)
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
