package larder

import (
	"bytes"
	"encoding/csv"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// MaxOwn is how many materials of its own a school may add.
const MaxOwn = 500

// With is a larder with a school's own materials beside or in place of the
// shipped ones. They are marked as own. A known thing keeps every hazard it
// has and stays refused if it was: own entries may add to a safety tag, never
// take one away. Problems are returned with the larder unchanged.
func (l *Larder) With(own []Material) (*Larder, []Problem) {
	if len(own) == 0 {
		return l, nil
	}
	if len(own) > MaxOwn {
		return l, []Problem{{"", "materials", fmt.Sprintf("are %d; a school may add %d", len(own), MaxOwn)}}
	}
	n := *l
	n.Materials = slices.Clone(l.Materials)
	n.Rules = slices.Clone(l.Rules)
	at := map[string]int{}
	for i := range n.Materials {
		at[n.Materials[i].ID] = i
	}
	var problems []Problem
	seen := map[string]bool{}
	for _, m := range own {
		if seen[m.ID] {
			problems = append(problems, Problem{m.ID, "id", "is taken twice"})
		}
		seen[m.ID] = true
		m.Own = true
		if i, known := at[m.ID]; known {
			was := &n.Materials[i]
			m.Hazards = union(was.Hazards, m.Hazards)
			m.MayHold = union(was.MayHold, m.MayHold)
			m.Refused = was.Refused || m.Refused
			m.Shelf = was.Shelf
			n.Materials[i] = m
		} else {
			m.Shelf = "own"
			n.Materials = append(n.Materials, m)
		}
	}
	n.index()
	for _, m := range own {
		if known, ok := n.materials[m.ID]; ok {
			problems = append(problems, n.checkMaterial(known)...)
		}
	}
	if len(problems) > 0 {
		return l, problems
	}
	return &n, nil
}

func union(a, b []string) []string {
	out := slices.Clone(a)
	for _, x := range b {
		if !slices.Contains(out, x) {
			out = append(out, x)
		}
	}
	return out
}

// WriteJSON writes materials in the form of the data files.
func WriteJSON(w io.Writer, own []Material) error {
	e := json.NewEncoder(w)
	e.SetIndent("", " ")
	if own == nil {
		own = []Material{}
	}
	return e.Encode(own)
}

// ReadJSON reads what WriteJSON wrote. Unknown fields are an error that names
// them: a typing mistake in a safety tag must not be lost.
func ReadJSON(data []byte) ([]Material, error) {
	d := json.NewDecoder(bytes.NewReader(data))
	d.DisallowUnknownFields()
	var own []Material
	if err := d.Decode(&own); err != nil {
		return nil, fmt.Errorf("the file is not a list of materials: %w", err)
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return nil, errors.New("there is something after the list of materials; remove it")
	}
	return own, nil
}

// columns of the CSV form. Lists are separated by semicolons.
var columns = []string{"id", "name_en", "name_es", "also", "roles", "density_g_per_mL", "bulk_low_g_per_mL", "bulk_high_g_per_mL", "piece_g", "hazards", "may_hold", "usual_place", "cost", "caveat"}

// WriteCSV writes materials as a table that a spreadsheet opens. Contents
// (strengths) do not fit into it: use JSON for them.
func WriteCSV(w io.Writer, own []Material) error {
	c := csv.NewWriter(w)
	if err := c.Write(columns); err != nil {
		return err
	}
	for _, m := range own {
		var also []string
		for _, n := range m.Names() {
			if n != m.ID && n != m.Name["en"] && n != m.Name["es"] {
				also = append(also, n)
			}
		}
		row := []string{m.ID, m.Name["en"], m.Name["es"], strings.Join(also, "; "), strings.Join(m.Roles, "; "), "", "", "", "",
			strings.Join(m.Hazards, "; "), strings.Join(m.MayHold, "; "), m.UsualPlace, m.Cost, m.Caveat}
		if r, ok := m.Figure("rho"); ok {
			row[5] = fmt.Sprintf("%g", r.Typical)
		}
		if r, ok := m.Figure("bulk"); ok {
			row[6], row[7] = fmt.Sprintf("%g", r.Low), fmt.Sprintf("%g", r.High)
		}
		if m.Piece != nil {
			row[8] = fmt.Sprintf("%g", m.Piece.Typical)
		}
		for i, cell := range row {
			// A cell that a spreadsheet would take for a formula is made words.
			if cell != "" && strings.ContainsRune("=+-@", rune(cell[0])) {
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

// ReadCSV reads such a table; columns may come in any order and be left out,
// but id and a name have to be there. Errors name the line and the column.
func ReadCSV(data []byte) ([]Material, error) {
	data = bytes.TrimPrefix(data, []byte("\ufeff"))
	c := csv.NewReader(bytes.NewReader(data))
	c.FieldsPerRecord = -1
	if first, _, _ := bytes.Cut(data, []byte("\n")); bytes.Count(first, []byte(";")) > bytes.Count(first, []byte(",")) {
		c.Comma = ';'
	}
	head, err := c.Read()
	if err != nil {
		return nil, errors.New("the table has no head line; begin with " + strings.Join(columns[:3], ","))
	}
	at := map[string]int{}
	for i, h := range head {
		h = strings.TrimSpace(h)
		if !slices.Contains(columns, h) {
			return nil, fmt.Errorf("the column %q is not known; the columns are %s", h, strings.Join(columns, ", "))
		}
		at[h] = i
	}
	if _, ok := at["id"]; !ok {
		return nil, errors.New("the column id is missing; give each material one, such as school-soap")
	}
	var own []Material
	for line := 2; ; line++ {
		row, err := c.Read()
		if errors.Is(err, io.EOF) {
			return own, nil
		}
		if err != nil {
			return nil, fmt.Errorf("line %d cannot be read: %w", line, err)
		}
		m, err := fromRow(func(column string) string {
			if i, ok := at[column]; ok && i < len(row) {
				return strings.TrimSpace(strings.TrimPrefix(row[i], "'"))
			}
			return ""
		})
		if err != nil {
			return nil, fmt.Errorf("line %d: %w", line, err)
		}
		own = append(own, m)
		if len(own) > MaxOwn {
			return nil, fmt.Errorf("the table has more than %d materials", MaxOwn)
		}
	}
}

func fromRow(cell func(string) string) (Material, error) {
	m := Material{ID: cell("id"), Name: text.Localized{}, Roles: list(cell("roles")), Hazards: list(cell("hazards")), MayHold: list(cell("may_hold")),
		UsualPlace: cell("usual_place"), Cost: cell("cost"), Caveat: cell("caveat")}
	for column, lang := range map[string]string{"name_en": "en", "name_es": "es"} {
		if n := cell(column); n != "" {
			m.Name[lang] = n
		}
	}
	if also := list(cell("also")); also != nil {
		m.Also = map[string][]string{"en": also}
	}
	number := func(column string) (float64, error) {
		s := cell(column)
		if s == "" {
			return 0, nil
		}
		var v float64
		if _, err := fmt.Sscanf(strings.Replace(s, ",", ".", 1)+"\n", "%g\n", &v); err != nil || v <= 0 || v > 1e6 {
			return 0, fmt.Errorf("%s is %q; it has to be a number above 0, such as 0.9", column, s)
		}
		return v, nil
	}
	rho, err1 := number("density_g_per_mL")
	low, err2 := number("bulk_low_g_per_mL")
	high, err3 := number("bulk_high_g_per_mL")
	piece, err4 := number("piece_g")
	if err := errors.Join(err1, err2, err3, err4); err != nil {
		return m, err
	}
	if rho > 0 {
		m.Figures = append(m.Figures, Figure{Text: fmt.Sprintf("rho %g", rho), Key: "rho", Low: rho, High: rho, Unit: "g/mL", Quality: "varies"})
	}
	if low > 0 || high > 0 {
		if low == 0 || high == 0 || low > high {
			return m, errors.New("bulk_low_g_per_mL and bulk_high_g_per_mL have to be given both, the lower first")
		}
		m.Figures = append(m.Figures, Figure{Text: fmt.Sprintf("bulk %g–%g", low, high), Key: "bulk", Low: low, High: high, Unit: "g/mL", Quality: "varies"})
	}
	if piece > 0 {
		m.Piece = &Range{piece, piece, piece}
	}
	return m, nil
}

func list(cell string) []string {
	var out []string
	for _, s := range strings.Split(cell, ";") {
		if s = strings.TrimSpace(s); s != "" {
			out = append(out, s)
		}
	}
	return out
}
