package larder

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"maps"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/text"
)

// WriteJSON writes a school's own entries as an open file.
func WriteJSON(w io.Writer, own Own) error {
	e := json.NewEncoder(w)
	e.SetIndent("", " ")
	if own.Materials == nil {
		own.Materials = []Material{}
	}
	if own.Rules == nil {
		own.Rules = []SwapRule{}
	}
	return e.Encode(own)
}

// ReadJSON reads what WriteJSON wrote, or a bare list of things. Unknown
// fields are an error that names them: a typing mistake in a safety tag must
// not be lost.
func ReadJSON(data []byte) (Own, error) {
	d := json.NewDecoder(bytes.NewReader(data))
	d.DisallowUnknownFields()
	var own Own
	var into any = &own
	if trimmed := bytes.TrimSpace(data); len(trimmed) > 0 && trimmed[0] == '[' {
		into = &own.Materials
	}
	if err := d.Decode(into); err != nil {
		return Own{}, fmt.Errorf("the file does not hold things and swaps: %w", err)
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return Own{}, errors.New("there is something after the end; remove it")
	}
	return own, nil
}

// The columns of the two tables. Lists are separated by semicolons; a range is
// low-typical-high, low-high or one number.
var (
	thingColumns = append(
		append(append([]string{"id"}, perLanguage("name_")...), perLanguage("also_")...),
		"roles",
		"is",
		"capacity_ml",
		"contains",
		"density_g_per_mL",
		"bulk_g_per_mL",
		"piece_g",
		"hazards",
		"may_hold",
		"usual_place",
		"cost",
		"caveat",
		"refused",
	)
	swapColumns = []string{
		"id",
		"role",
		"results",
		"from",
		"from_percent",
		"from_form",
		"to",
		"to_percent",
		"to_form",
		"basis",
		"class",
		"factor",
		"effect",
		"safety",
		"procedure",
	}
)

const (
	// asStrong in the column to_percent says: as strong as what it stands in for.
	asStrong = "same"
	// yes in the column refused says: known so that it can be refused.
	yes = "yes"
)

// perLanguage are the columns that each language has.
func perLanguage(prefix string) []string {
	out := make([]string, len(text.Languages))
	for i, l := range text.Languages {
		out[i] = prefix + l
	}
	return out
}

// alsoIn are a material's other names in a language, those of one region with
// its letters: "GB: bin bag".
func alsoIn(m Material, lang string) string {
	names := slices.Clone(m.Also[lang])
	for _, key := range slices.Sorted(maps.Keys(m.Also)) {
		if region, ok := strings.CutPrefix(key, lang+"-"); ok {
			for _, n := range m.Also[key] {
				names = append(names, region+": "+n)
			}
		}
	}
	return joined(names)
}

// WriteCSV writes materials as a table that a spreadsheet opens. What a thing
// contains is written as "acetic-acid 4-5-6 w/v".
func WriteCSV(w io.Writer, own []Material) error {
	rows := [][]string{thingColumns}
	for _, m := range own {
		var contains []string
		for _, c := range m.Contains {
			contains = append(
				contains,
				strings.TrimSpace(strings.Join([]string{c.Substance, written(c.Range), c.Basis, c.Form}, " ")),
			)
		}
		var is []string
		for _, k := range slices.Sorted(maps.Keys(m.Props)) {
			is = append(is, k+"="+m.Props[k])
		}
		var rho, bulk, piece, refused, capacity string
		if m.Capacity != nil {
			capacity = written(*m.Capacity)
		}
		if f, ok := m.Figure("rho"); ok {
			rho = written(f)
		}
		if f, ok := m.Figure("bulk"); ok {
			bulk = written(f)
		}
		if m.Piece != nil {
			piece = written(*m.Piece)
		}
		if m.Refused {
			refused = yes
		}
		row := []string{m.ID}
		for _, l := range text.Languages {
			row = append(row, m.Name[l])
		}
		for _, l := range text.Languages {
			row = append(row, alsoIn(m, l))
		}
		rows = append(rows, append(row, joined(m.Roles), joined(is), capacity, joined(contains), rho, bulk, piece,
			joined(m.Hazards), joined(m.MayHold), m.UsualPlace, m.Cost, m.Caveat, refused))
	}
	return writeTable(w, rows)
}

// WriteSwapsCSV writes swaps as a table that a spreadsheet opens.
func WriteSwapsCSV(w io.Writer, own []SwapRule) error {
	rows := [][]string{swapColumns}
	percent := func(s Side) string {
		if s.Same {
			return asStrong
		}
		if s.Percent == 0 {
			return ""
		}
		return plain(s.Percent)
	}
	for _, r := range own {
		var factor string
		if r.Factor != nil {
			factor = written(*r.Factor)
		}
		rows = append(
			rows,
			[]string{
				r.ID,
				r.Role,
				joined(r.Results),
				joined(r.From.Materials),
				percent(r.From),
				r.From.Form,
				joined(r.To.Materials),
				percent(r.To),
				r.To.Form,
				string(r.Basis),
				string(r.Class),
				factor,
				r.Effect,
				r.Safety,
				r.Procedure,
			},
		)
	}
	return writeTable(w, rows)
}

func writeTable(w io.Writer, rows [][]string) error {
	c := csv.NewWriter(w)
	for _, row := range rows {
		for i, cell := range row {
			// A cell that a spreadsheet would take for a formula is made words.
			if cell != "" && strings.ContainsRune("=+-@\t", rune(cell[0])) {
				row[i] = "'" + cell
			}
		}
		if err := c.Write(row); err != nil {
			return err
		}
	}
	c.Flush()
	return c.Error()
}

// written is a range as readSpread reads it, as short as it can be.
func written(r Range) string {
	switch {
	case r.Low == r.High:
		return plain(r.Low)
	case r.Typical == (r.Low+r.High)/2:
		return plain(r.Low) + "-" + plain(r.High)
	}
	return plain(r.Low) + "-" + plain(r.Typical) + "-" + plain(r.High)
}

// plain is a number in full, without an exponent that a minus could be read in.
func plain(v float64) string { return strconv.FormatFloat(v, 'f', -1, 64) }

func joined(list []string) string { return strings.Join(list, "; ") }
