package main

import (
	"os"
	"os/exec"
	"strings"
	"testing"
)

// Every module that goes into the program, and every package of the web pages, is
// named in what stands under Help, in its present version.
func TestNoticesAreCurrent(t *testing.T) {
	t.Chdir("../..")
	raw, err := os.ReadFile("web/public/notices.txt")
	if err != nil {
		t.Fatal(err)
	}
	named := string(raw)
	out, err := exec.Command("go", "list", "-deps", "-f", "{{with .Module}}{{if not .Main}}{{.Path}} "+
		"{{.Version}}{{end}}{{end}}", "./cmd/patient-kitchen").
		Output()
	if err != nil {
		t.Fatal(err)
	}
	web, err := packages("web")
	if err != nil {
		t.Fatal(err)
	}
	parts := strings.Split(strings.TrimSpace(string(out)), "\n")
	for _, p := range web {
		parts = append(parts, p.name+" "+p.version)
	}
	n := 0
	for _, p := range parts {
		if p = strings.TrimSpace(p); p == "" {
			continue
		}
		if n++; !strings.Contains(named, "\n"+p+"\n") {
			t.Errorf("%s has no notice: go run ./cmd/notices", p)
		}
	}
	if n < 50 {
		t.Errorf("only %d parts were found", n)
	}
}
