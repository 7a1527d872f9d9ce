package api

import (
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"

	"patient-kitchen/core/text"
)

// The language is the one that suits best of what the browser asks for, also
// where a neighbour of an offered one is asked for.
func TestLanguageOf(t *testing.T) {
	for accept, want := range map[string]string{"": "en", "es": "es", "es-MX,en;q=0.5": "es", "ca,es": "es",
		"en-GB,es;q=0.9": "en", "fr": "en", "fr,es;q=0.5": "es", "gl": "es", "*": "en", "not a language!!": "en"} {
		if got := languageOf(accept); got != want {
			t.Errorf("%q: %s, want %s", accept, got, want)
		}
	}
}

var (
	refusedCode = regexp.MustCompile(`\bRefused\{Code: "([^"]*)"(?:, Current: [^}]*)?\}`)
	refusalID   = regexp.MustCompile(`\bWhy\("([^"]*)"`)
	ruleID      = regexp.MustCompile(`\bRule\("([^"]*)"`)
	problemIDs  = regexp.MustCompile(`\bproblem\(\d+, "[^"]*", "([^"]*)", "([^"]*)"\)`)
	wholeID     = regexp.MustCompile(`text\.Message\{ID: "((?:rule|refused|title)\.[^"]*[^."])"`)
)

// Every refusal and rule in the source has its words; that they are there in each
// language is a test of the core's house.
func TestRefusalsHaveWords(t *testing.T) {
	found := map[string]bool{}
	for _, dir := range []string{".", "../app", "../view/*"} {
		files, err := filepath.Glob(dir + "/*.go")
		if err != nil || len(files) == 0 {
			t.Fatal(err)
		}
		for _, file := range files {
			if strings.HasSuffix(file, "_test.go") {
				continue
			}
			raw, err := os.ReadFile(file)
			if err != nil {
				t.Fatal(err)
			}
			for prefix, pattern := range map[string]*regexp.Regexp{"refused.": refusedCode, "refused..": refusalID,
				"rule.": ruleID, "": wholeID} {
				for _, m := range pattern.FindAllStringSubmatch(string(raw), -1) {
					found[strings.Replace(prefix, "..", ".", 1)+m[1]] = true
				}
			}
			for _, m := range problemIDs.FindAllStringSubmatch(string(raw), -1) {
				found["title."+m[1]], found["refused."+m[2]] = true, true
			}
		}
	}
	for id := range found {
		if !text.Has(id) && !strings.HasSuffix(id, ".") {
			t.Errorf("%s has no words", id)
		}
	}
	if len(found) < 90 {
		t.Errorf("only %d sentences were found", len(found))
	}
}

func TestProblemsInSpanish(t *testing.T) {
	guardian := (&Problem{title: text.Message{ID: "title.invalid"}}).about(
		"guardian",
		text.Message{ID: "rule.guardian"},
		"A. Fernsby",
	)
	for _, c := range []struct {
		in            *Problem
		language      string
		title, detail string
	}{
		{problem(503, "busy", "busy", "busy"), "es", "Ocupado", "Están llegando muchas fotos. Se intenta otra vez " +
			"por sí solo."},
		{problem(503, "busy", "busy", "busy"), "en", "Busy", "Many photos are coming in. It is tried again by itself."},
		{guardian, "es", "No es como debe ser", "Nombre: tiene que ser el nombre de una persona adulta, de 80 " +
			"signos como máximo; por ejemplo, A. Fernsby."},
		{guardian, "en", "Not as it should be", "Guardian has to be the name of an adult, with at most 80 signs; " +
			"for example A. Fernsby."},
		{(&Problem{}).about("body.unknown_thing", said("has to be odd"), ""), "es", "",
			"Unknown thing: has to be odd."},
		{(&Problem{}).about("nickname", ruleOf("expected length <= 60"), ""), "es", "",
			"Apodo: puede tener 60 signos como máximo."},
		{(&Problem{}).about("nickname", ruleOf("expected string"), ""), "en", "", "Nickname has to be a text."},
		{(&Problem{}).about("way", ruleOf(`expected value to be one of "a, b"`), "a"), "en", "",
			"Way has to be one of a, b; for example a."},
	} {
		if got := c.in.in(c.language); got.Title != c.title || got.Detail != c.detail {
			t.Errorf("%q, %q; want %q, %q", got.Title, got.Detail, c.title, c.detail)
		}
	}
}
