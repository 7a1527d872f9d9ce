package docs_test

import (
	"bytes"
	"fmt"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"github.com/santhosh-tekuri/jsonschema/v6"

	"patient-kitchen/core/science"
)

// Every test that the list of capabilities names is there, and no number of
// the list is left out.
func TestCapabilities(t *testing.T) {
	list, err := os.ReadFile("capabilities.md")
	if err != nil {
		t.Fatal(err)
	}
	there := map[string]bool{}
	defined := regexp.MustCompile(`(?m)^func (Test\w+)\(`)
	err = filepath.WalkDir("..", func(path string, e fs.DirEntry, err error) error {
		if err != nil ||
			e.IsDir() && (e.Name() == "node_modules" || strings.HasPrefix(e.Name(), ".") && e.Name() != "..") {
			return filepath.SkipDir
		}
		if strings.HasSuffix(path, "_test.go") {
			code, err := os.ReadFile(path)
			if err != nil {
				return err
			}
			for _, m := range defined.FindAllStringSubmatch(string(code), -1) {
				there[m[1]] = true
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	for _, name := range regexp.MustCompile(`Test\w+`).FindAllString(string(list), -1) {
		if !there[name] {
			t.Errorf("there is no test %s", name)
		}
	}
	for n := 1; n <= 193; n++ {
		if !strings.Contains(string(list), fmt.Sprintf("\n| %d | ", n)) {
			t.Errorf("number %d is left out", n)
		}
	}
}

// Every model stands in docs/models.md with its source and what it assumes.
func TestModelsAreListed(t *testing.T) {
	list, err := os.ReadFile("models.md")
	if err != nil {
		t.Fatal(err)
	}
	for _, m := range science.Models() {
		d := m.Describe("en")
		if row := fmt.Sprintf("| `%s` | %s | %s | %s |", m.ID, d.Title, d.Source, d.Assumes); !strings.Contains(
			string(list),
			row,
		) {
			t.Errorf("models.md lacks %s", row)
		}
	}
}

// Every path that the pages for developers name is there.
func TestPathsAreThere(t *testing.T) {
	path := regexp.MustCompile("`((?:core|internal|web|cmd|docs|e2e)/[\\w./-]*\\w)`")
	named := 0
	for _, page := range []string{"../CONTRIBUTING.md", "architecture.md"} {
		text, err := os.ReadFile(page)
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range path.FindAllStringSubmatch(string(text), -1) {
			named++
			if _, err := os.Stat(filepath.Join("..", filepath.FromSlash(m[1]))); err != nil {
				t.Errorf("%s names %s, which is not there", page, m[1])
			}
		}
	}
	if named < 50 {
		t.Errorf("only %d paths were found", named)
	}
}

// The example kitchens fit the published schema, by an independent validator.
func TestKitchensAgainstTheirSchema(t *testing.T) {
	read := func(file string) any {
		raw, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		v, err := jsonschema.UnmarshalJSON(bytes.NewReader(raw))
		if err != nil {
			t.Fatal(err)
		}
		return v
	}
	c := jsonschema.NewCompiler()
	if err := c.AddResource("kitchens.json", read("kitchens.schema.json")); err != nil {
		t.Fatal(err)
	}
	compiled, err := c.Compile("kitchens.json")
	if err != nil {
		t.Fatal(err)
	}
	if err := compiled.Validate(read("examples/kitchens/moorland.json")); err != nil {
		t.Error(err)
	}
	if compiled.Validate(map[string]any{"homes": []any{map[string]any{"things": map[string]any{}}}}) == nil {
		t.Error("a home without a name is taken")
	}
}
