// Command notices gathers the notices of all third-party code, fonts and icons that
// are shipped, from what the program was built of and from what the web pages were:
//
//	go run ./cmd/notices
//
// It writes web/public/notices.txt, which stands under Help.
package main

import (
	"cmp"
	"debug/buildinfo"
	"encoding/json"
	"fmt"
	"log"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
)

// part is something shipped that somebody else made.
type part struct{ name, version, notice string }

func main() {
	parts, err := gather()
	if err != nil {
		log.Fatal(err)
	}
	if err := os.WriteFile("web/public/notices.txt", []byte(written(parts)), 0o644); err != nil {
		log.Fatal(err)
	}
}

func gather() ([]part, error) {
	golang, err := output("go", "env", "GOROOT", "GOVERSION")
	if err != nil {
		return nil, err
	}
	root, version, _ := strings.Cut(golang, "\n")
	parts := []part{{"Go, its standard library and wasm_exec.js", strings.TrimPrefix(version, "go"), notice(root)}}
	for _, program := range []string{"./bin/patient-kitchen"} {
		info, err := buildinfo.ReadFile(program)
		if err != nil {
			return nil, fmt.Errorf("build the program first: go build -o bin/ ./cmd/...: %w", err)
		}
		for _, m := range info.Deps {
			dir, err := output("go", "list", "-m", "-f", "{{.Dir}}", m.Path)
			if err != nil {
				return nil, err
			}
			parts = append(parts, part{m.Path, m.Version, notice(dir)})
		}
	}
	web, err := packages("web")
	return append(parts, web...), err
}

// packages are those of the lock file that do not only serve the building.
func packages(dir string) ([]part, error) {
	raw, err := os.ReadFile(filepath.Join(dir, "package-lock.json"))
	if err != nil {
		return nil, err
	}
	var lock struct {
		Packages map[string]struct {
			Version, License string
			Dev, Optional    bool
		}
	}
	if err := json.Unmarshal(raw, &lock); err != nil {
		return nil, err
	}
	var out []part
	for path, p := range lock.Packages {
		at := strings.LastIndex(path, "node_modules/")
		if at < 0 {
			continue // our own
		}
		name := path[at+len("node_modules/"):]
		if p.Dev || strings.HasPrefix(name, "@types/") || name == "typescript" {
			continue
		}
		text := notice(filepath.Join(dir, path))
		if text == "" {
			text = "Licence: " + p.License
		}
		out = append(out, part{name, p.Version, text})
	}
	return out, nil
}

// notice is the text of a folder's licence, with its notice if it has one.
func notice(dir string) string {
	var out []string
	for _, pattern := range []string{"LICEN[CS]E*", "licen[cs]e*", "COPYING*", "NOTICE*"} {
		files, _ := filepath.Glob(filepath.Join(dir, pattern))
		for _, f := range files {
			if raw, err := os.ReadFile(f); err == nil && !strings.HasSuffix(f, ".go") {
				out = append(out, strings.TrimSpace(strings.ReplaceAll(string(raw), "\r\n", "\n")))
			}
		}
	}
	return strings.Join(slices.Compact(out), "\n\n")
}

func output(name string, args ...string) (string, error) {
	raw, err := exec.Command(name, args...).Output()
	return strings.TrimSpace(string(raw)), err
}

// written puts parts with the same notice together.
func written(parts []part) string {
	of := map[string][]string{}
	for _, p := range parts {
		of[p.notice] = append(of[p.notice], p.name+" "+p.version)
	}
	var notices []string
	for n, names := range of {
		slices.Sort(names)
		of[n] = slices.Compact(names)
		notices = append(notices, n)
	}
	slices.SortFunc(notices, func(a, b string) int { return cmp.Compare(of[a][0], of[b][0]) })
	var b strings.Builder
	b.WriteString("Patient Kitchen ships with the work of others. These are their notices.\n")
	for _, n := range notices {
		fmt.Fprintf(&b, "\n%s\n\n%s\n\n%s\n", strings.Repeat("-", 72), strings.Join(of[n], "\n"), n)
	}
	return b.String()
}
