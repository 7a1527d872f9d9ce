package e2e

import (
	"encoding/csv"
	"encoding/json"
	"os"
	"slices"
	"strings"
	"testing"
)

// The designs of e2e/designs have the verdicts by age that expected.csv gives
// them, through the command line; each that is kept from homes stands beside
// one that just is not. Forty of them say what can hurt in a sentence alone.
func TestDesigns(t *testing.T) {
	f, err := os.Open("designs/expected.csv")
	if err != nil {
		t.Fatal(err)
	}
	defer f.Close()
	rows, err := csv.NewReader(f).ReadAll()
	if err != nil || len(rows) < 121 {
		t.Fatalf("%d designs, %v", len(rows)-1, err)
	}
	bands := rows[0][2:6]
	caught, asked, harmless := 0, 0, 0
	for _, row := range rows[1:] {
		out, _, _ := command(t, "", "", "check", "designs/"+row[0])
		var a struct {
			Safety []struct {
				Rule, Case string
				Asks       bool
			}
			Verdict map[string]string
		}
		if err := json.Unmarshal([]byte(out), &a); err != nil {
			t.Errorf("%s: %v %.200s", row[0], err, out)
			continue
		}
		for i, band := range bands {
			if got := a.Verdict[band]; got != row[2+i] {
				t.Errorf("%s, %s: %s at %s, want %s", row[0], row[1], got, band, row[2+i])
			}
		}
		fired, sure := row[6] == "", false
		for _, f := range a.Safety {
			if name := strings.TrimSpace(f.Rule + " " + f.Case); name == row[6] || f.Rule == row[6] {
				fired, sure = true, sure || !f.Asks
			}
		}
		switch {
		case !fired:
			t.Errorf("%s, %s: the rule %s did not fire", row[0], row[1], row[6])
		case strings.Contains(row[0], "twin"):
			harmless++
		case sure:
			caught++
		default:
			asked++
		}
	}
	said := 0
	for _, row := range rows {
		if slices.Contains(row, "said") {
			said++
		}
	}
	t.Logf("caught %d, asked at the sentence %d, of %d; harmless twins %d", caught, asked, caught+asked, harmless)
	if said < 40 || harmless < 60 {
		t.Errorf("%d say it in a sentence alone, %d are harmless", said, harmless)
	}
}
