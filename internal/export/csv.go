package export

import (
	"encoding/csv"
	"io"
	"strings"
)

// Dialect is how a table is written as text. Programs differ by country: many
// take a semicolon between cells where the comma is the decimal sign.
type Dialect struct {
	Separator rune // ',', ';' or tab
	Comma     bool // decimals are written with a comma
}

// Usual is the dialect of RFC 4180.
var Usual = Dialect{Separator: ','}

// DialectOf reads a dialect from its names in an address; what is left out is
// usual. It reports false for a name that is none, or a decimal comma between
// commas.
func DialectOf(separator, decimal string) (Dialect, bool) {
	signs := map[string]rune{"": ',', "comma": ',', "semicolon": ';', "tab": '\t'}
	sign, known := signs[separator]
	commas := map[string]bool{"": false, "point": false, "comma": true}
	comma, ok := commas[decimal]
	return Dialect{sign, comma}, known && ok && (!comma || sign != ',')
}

// ReadingsCSV writes the table of readings. A byte order mark in front tells
// spreadsheets that it is UTF-8.
func (c *Class) ReadingsCSV(w io.Writer, d Dialect) error {
	return writeCSV(w, rows(c, readings, c.Readings.Readings), d)
}

// AnswersCSV writes what homes predicted and answered.
func (c *Class) AnswersCSV(w io.Writer, d Dialect) error {
	return writeCSV(w, rows(c, answers, c.Readings.Answers), d)
}

// ObservationsCSV writes what homes saw, in their words.
func (c *Class) ObservationsCSV(w io.Writer, d Dialect) error {
	return writeCSV(w, rows(c, observations, c.Readings.Observations), d)
}

// ResultsCSV writes what was worked out for each home.
func (c *Class) ResultsCSV(w io.Writer, d Dialect) error {
	return writeCSV(w, rows(c, values, c.values()), d)
}

func writeCSV(w io.Writer, table [][]any, d Dialect) error {
	if _, err := io.WriteString(w, "\ufeff"); err != nil {
		return err
	}
	out := csv.NewWriter(w)
	out.Comma, out.UseCRLF = d.Separator, true
	line := make([]string, 0, 32)
	for _, row := range table {
		line = line[:0]
		for _, v := range row {
			s := plain(v)
			switch v.(type) {
			case float64:
				if d.Comma {
					s = strings.Replace(s, ".", ",", 1)
				}
			case string:
				s = guarded(s)
			}
			line = append(line, s)
		}
		if err := out.Write(line); err != nil {
			return err
		}
	}
	out.Flush()
	return out.Error()
}

// guarded keeps a text from being taken for a formula by a spreadsheet, also
// after signs that it skips, and after a break inside the cell. Numbers are
// written as numbers and need none.
func guarded(s string) string {
	lead := strings.TrimLeft(s, " \u00a0\ufeff\u200b\x00")
	if lead != "" && strings.ContainsRune("=+-@\t\r\n|%＝＋－＠−", []rune(lead)[0]) {
		return "'" + s
	}
	return s
}
