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

// MaxOwn is how many things, and how many swaps, of its own a school may add.
const MaxOwn = 500

// Own is what a school adds to the larder: things, corrections of known
// things, and swaps.
type Own struct {
	Materials []Material `json:"materials"`
	Rules     []Rule     `json:"swaps"`
}

// With is a larder with a school's own entries, marked as own. Of a known
// thing an entry may change the names, add jobs, hazards and figures, and move
// a typical value; it never takes away what a safety rule counts with: tags
// and jobs stay, a range only widens, a refused thing stays refused. An own
// swap stands beside the shipped ones, and where several speak of a swap the
// lowest class holds. Problems are returned with the larder unchanged.
func (l *Larder) With(own Own) (*Larder, []Problem) {
	if len(own.Materials) == 0 && len(own.Rules) == 0 {
		return l, nil
	}
	if len(own.Materials) > MaxOwn || len(own.Rules) > MaxOwn {
		return l, []Problem{{"", "materials", fmt.Sprintf("are %d things and %d swaps; a school may add %d of each", len(own.Materials), len(own.Rules), MaxOwn)}}
	}
	n := *l
	n.Materials, n.Rules = slices.Clone(l.Materials), slices.Clone(l.Rules)
	at := map[string]int{}
	for i := range n.Materials {
		at[n.Materials[i].ID] = i
	}
	var problems []Problem
	seen := map[string]bool{}
	once := func(id string) {
		if seen[id] {
			problems = append(problems, Problem{id, "id", "is taken twice"})
		}
		seen[id] = true
	}
	for _, m := range own.Materials {
		once(m.ID)
		if i, known := at[m.ID]; known {
			n.Materials[i] = corrected(n.Materials[i], m)
		} else {
			m.Own, m.Shelf = true, "own"
			n.Materials = append(n.Materials, m)
		}
	}
	for _, r := range own.Rules {
		once(r.ID)
		if !idPattern.MatchString(r.ID) {
			problems = append(problems, Problem{r.ID, "id", "has to be small letters, digits and hyphens, such as our-soap"})
		}
		r.Own = true
		n.Rules = append(n.Rules, r)
	}
	n.index()
	for _, m := range own.Materials {
		problems = append(problems, n.checkMaterial(n.materials[m.ID])...)
	}
	for i := len(l.Rules); i < len(n.Rules); i++ {
		problems = append(problems, n.checkRule(&n.Rules[i])...)
	}
	if len(problems) > 0 {
		return l, problems
	}
	return &n, nil
}

// corrected is a known material with a school's correction.
func corrected(was, own Material) Material {
	m := own
	m.Own, m.Shelf = true, was.Shelf
	m.Refused = was.Refused || own.Refused
	m.Roles, m.Hazards, m.MayHold = union(was.Roles, own.Roles), union(was.Hazards, own.Hazards), union(was.MayHold, own.MayHold)
	m.Contains = slices.Clone(was.Contains)
	for _, c := range own.Contains {
		i := slices.IndexFunc(m.Contains, func(k Content) bool { return k.Substance == c.Substance && k.Basis == c.Basis && k.Form == c.Form })
		if i < 0 {
			m.Contains = append(m.Contains, c)
			continue
		}
		k := &m.Contains[i]
		k.Low, k.Typical, k.High = min(k.Low, c.Low), c.Typical, max(k.High, c.High)
	}
	m.Figures = slices.Clone(own.Figures)
	for _, f := range was.Figures {
		i := slices.IndexFunc(m.Figures, func(o Figure) bool { return f.Key != "" && o.Key == f.Key })
		if i < 0 {
			m.Figures = append(m.Figures, f)
			continue
		}
		o := &m.Figures[i]
		if o.Typical == 0 {
			o.Typical = (o.Low + o.High) / 2
		}
		o.Low, o.High = min(o.Low, f.Low), max(o.High, f.High)
	}
	if m.Piece == nil {
		m.Piece = was.Piece
	}
	return m
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

// WriteJSON writes a school's own entries as an open file.
func WriteJSON(w io.Writer, own Own) error {
	e := json.NewEncoder(w)
	e.SetIndent("", " ")
	if own.Materials == nil {
		own.Materials = []Material{}
	}
	if own.Rules == nil {
		own.Rules = []Rule{}
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
