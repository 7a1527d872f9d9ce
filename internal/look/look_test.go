package look_test

import (
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/internal/look"
)

var (
	hex       = regexp.MustCompile(`#[0-9a-fA-F]{3,8}\b`)
	function  = regexp.MustCompile(`\b(?:rgba?|hsla?|oklch|lab)\(`)
	generated = regexp.MustCompile(`d\.ts$|wasm_exec|node_modules|/dist/|look_test\.go$|_test\.go$`)
)

// No colour stands outside tokens.json. Files that are handed out as they are
// cannot name a token: their colours are colours of it.
func TestColoursStandInOnePlace(t *testing.T) {
	tokens, err := os.ReadFile("tokens.json")
	if err != nil {
		t.Fatal(err)
	}
	known := hex.FindAllString(strings.ToLower(string(tokens)), -1)
	looked := 0
	look := func(path string, as bool) {
		src, err := os.ReadFile(path)
		if err != nil {
			t.Fatal(err)
		}
		looked++
		for _, c := range hex.FindAllString(string(src), -1) {
			if !as || !slices.Contains(known, strings.ToLower(c)) {
				t.Errorf("%s writes the colour %s", path, c)
			}
		}
		if f := function.FindString(string(src)); f != "" {
			t.Errorf("%s makes a colour with %s…)", path, f)
		}
	}
	for _, root := range []string{"../../web/src", "../api"} {
		err := filepath.WalkDir(root, func(path string, d fs.DirEntry, err error) error {
			if err == nil && !d.IsDir() && !generated.MatchString(path) &&
				slices.Contains([]string{".ts", ".tsx", ".scss", ".html"}, filepath.Ext(path)) {
				look(path, false)
			}
			return err
		})
		if err != nil {
			t.Fatal(err)
		}
	}
	for _, path := range []string{"family.html", "teacher.html", "public/icon.svg", "public/manifest.webmanifest"} {
		look("../../web/"+path, true)
	}
	if looked < 100 {
		t.Errorf("only %d files were looked at", looked)
	}
}

func TestProperties(t *testing.T) {
	css := string(look.Properties())
	for _, want := range []string{"--ink:#1e2b2a;", "--radius-usual:6px;", "--series-1:"} {
		if !strings.Contains(css, want) {
			t.Errorf("%q is not in %s", want, css)
		}
	}
	if look.Colour("ground") != "#faf6ee" || look.Colour("no such colour") != "" {
		t.Error(look.Colour("ground"))
	}
}

var (
	declaration = regexp.MustCompile(
		`(?m)^\s*(font-size|border-radius|padding(?:-\w+)?|margin(?:-\w+)?|(?:row-|column-)?gap|transition|animation)\s*:\s*([^;{]+);`)
	// literal is a size of its own: what is told by em, by the window or by the paper is not.
	literal = regexp.MustCompile(`\b[1-9]\d*(?:\.\d+)?(?:px|rem|pt|ms|s)\b|\b0?\.\d+(?:rem|s)\b`)
)

// No size of text, space, radius or motion stands outside tokens.json either.
func TestSizesStandInOnePlace(t *testing.T) {
	looked, declared := 0, 0
	err := filepath.WalkDir("../../web/src", func(path string, d fs.DirEntry, err error) error {
		if err != nil || filepath.Ext(path) != ".scss" {
			return err
		}
		src, err := os.ReadFile(path)
		looked++
		for _, m := range declaration.FindAllStringSubmatch(string(src), -1) {
			declared++
			if strings.HasPrefix(m[2], "calc(") { // beside a thing of its own size
				continue
			}
			if size := literal.FindString(m[2]); size != "" {
				t.Errorf("%s writes %s: %s", path, m[1], m[2])
			}
		}
		return err
	})
	if err != nil || looked < 20 || declared < 200 {
		t.Errorf("%v: %d files, %d declarations", err, looked, declared)
	}
}
