package safety_test

import (
	"encoding/csv"
	"fmt"
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/text"
	"patient-kitchen/core/text/texttest"
)

const reviewed = "../../docs/safety-words.csv"

// Every safety and first-aid text stands in the reviewed list as it is, in both
// languages, with how hard it reads. Who changes one reads both again and writes
// the list anew: REVIEWED=write go test ./core/safety -run Reviewed.
func TestReviewedWords(t *testing.T) {
	var rows [][]string
	for _, id := range text.IDs("en") {
		if !strings.HasPrefix(id, "safety.") || strings.HasPrefix(id, "safety.way.") {
			continue // the ways out are buttons of the teacher's
		}
		grade, ease := grades(id)
		rows = append(rows, []string{id, raw(id, "en"), grade, raw(id, "es"), ease})
	}
	slices.SortFunc(rows, func(a, b []string) int { return strings.Compare(a[0], b[0]) })
	rows = slices.Insert(rows, 0, []string{"text", "English", "school grade", "Spanish", "ease of reading"})
	var out strings.Builder
	if err := csv.NewWriter(&out).WriteAll(rows); err != nil {
		t.Fatal(err)
	}
	if os.Getenv("REVIEWED") == "write" {
		if err := os.WriteFile(reviewed, []byte(out.String()), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	kept, err := os.ReadFile(reviewed)
	if err != nil {
		t.Fatal(err)
	}
	if string(kept) != out.String() {
		t.Errorf(
			"a text is not the one that was reviewed; read it in both languages and write docs/safety-words.csv anew",
		)
	}
}

// Families in the Americas are spoken to as usted, in every safety text.
func TestOneFormOfAddress(t *testing.T) {
	familiar := strings.Fields(
		"tú tu tus te ti vosotros os vuestro vuestra ponte lávate déjalo quítalo hazlo usad llamad salid dejad " +
			"poned quieres puedes tienes haces vives",
	)
	for _, id := range text.IDs("en") {
		if !strings.HasPrefix(id, "safety.") {
			continue
		}
		for _, w := range word.FindAllString(strings.ToLower(raw(id, "es")), -1) {
			if slices.Contains(familiar, w) {
				t.Errorf("%s: %q in %s", id, w, raw(id, "es"))
			}
		}
	}
}

// raw is a text with its holes open.
func raw(id, language string) string { return text.Render(text.Message{ID: id}, language) }

var word = regexp.MustCompile(`\p{L}+`)

var holes = regexp.MustCompile(`\{[^}]*\}`)

// grades are the school grade of the English text and the ease of the Spanish
// one, from 0 to 100. Of a few words they are rough: they find what is long.
func grades(id string) (english, spanish string) {
	en := texttest.Measure(holes.ReplaceAllString(raw(id, "en"), "thing"), "en")
	es := texttest.Measure(holes.ReplaceAllString(raw(id, "es"), "cosa"), "es")
	return fmt.Sprintf("%.0f", max(0, en.FleschKincaid())), fmt.Sprintf("%.0f", min(100, max(0, es.FernandezHuerta())))
}
