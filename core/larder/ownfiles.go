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
func WriteSwapsCSV(w io.Writer, own []Rule) error {
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

// ReadCSV reads either table and tells them apart by their head line. Columns
// may come in any order and be left out, but id has to be there. Errors name
// the line and the column.
func ReadCSV(data []byte) (Own, error) {
	data = bytes.TrimPrefix(data, []byte("\ufeff"))
	c := csv.NewReader(bytes.NewReader(data))
	c.FieldsPerRecord = -1
	if first, _, _ := bytes.Cut(data, []byte("\n")); bytes.Count(first, []byte(";")) > bytes.Count(first, []byte(",")) {
		c.Comma = ';'
	}
	head, err := c.Read()
	if err != nil {
		return Own{}, errors.New("the table has no head line; begin with " + strings.Join(thingColumns[:3], ","))
	}
	at := map[string]int{}
	for i, h := range head {
		at[strings.TrimSpace(h)] = i
	}
	_, from := at["from"]
	_, to := at["to"]
	columns := thingColumns
	if from || to {
		columns = swapColumns
	}
	for _, h := range head {
		if h = strings.TrimSpace(h); !slices.Contains(columns, h) {
			return Own{}, fmt.Errorf("the column %q is not known; the columns are %s", h, strings.Join(columns, ", "))
		}
	}
	if _, ok := at["id"]; !ok {
		return Own{}, errors.New("the column id is missing; give each entry one, such as school-soap")
	}
	var own Own
	for line := 2; ; line++ {
		row, err := c.Read()
		if errors.Is(err, io.EOF) {
			return own, nil
		}
		if err != nil {
			return Own{}, fmt.Errorf("line %d cannot be read: %w", line, err)
		}
		cells := tableRow{row, at}
		if from || to {
			var r Rule
			if r, err = cells.swap(); err == nil {
				own.Rules = append(own.Rules, r)
			}
		} else {
			var m Material
			if m, err = cells.thing(); err == nil {
				own.Materials = append(own.Materials, m)
			}
		}
		if err != nil {
			return Own{}, fmt.Errorf("line %d: %w", line, err)
		}
		if len(own.Materials)+len(own.Rules) > MaxOwn {
			return Own{}, fmt.Errorf("the table has more than %d lines; take some out", MaxOwn)
		}
	}
}

// tableRow is one line of a table, read by the names of its columns.
type tableRow struct {
	row []string
	at  map[string]int
}

func (t tableRow) cell(column string) string {
	if i, ok := t.at[column]; ok && i < len(t.row) {
		return strings.TrimSpace(strings.TrimPrefix(t.row[i], "'"))
	}
	return ""
}

func (t tableRow) list(column string) []string {
	var out []string
	for _, s := range strings.Split(t.cell(column), ";") {
		if s = strings.TrimSpace(s); s != "" {
			out = append(out, s)
		}
	}
	return out
}

// spread reads a column that holds a range, or nothing.
func (t tableRow) spread(column string) (*Range, error) {
	s := t.cell(column)
	if s == "" {
		return nil, nil
	}
	r, err := readSpread(s)
	if err != nil {
		return nil, fmt.Errorf("%s is %q; %w", column, s, err)
	}
	return &r, nil
}

func (t tableRow) thing() (Material, error) {
	m := Material{
		ID:         t.cell("id"),
		Name:       text.Localized{},
		Roles:      t.list("roles"),
		Hazards:    t.list("hazards"),
		MayHold:    t.list("may_hold"),
		UsualPlace: t.cell("usual_place"),
		Cost:       t.cell("cost"),
		Caveat:     t.cell("caveat"),
	}
	for _, lang := range text.Languages {
		if n := t.cell("name_" + lang); n != "" {
			m.Name[lang] = n
		}
		for _, name := range t.list("also_" + lang) {
			if m.Also == nil {
				m.Also = map[string][]string{}
			}
			key := lang
			if region, rest, ok := strings.Cut(name, ": "); ok && len(region) == 2 &&
				strings.ToUpper(region) == region {
				key, name = lang+"-"+region, rest
			}
			m.Also[key] = append(m.Also[key], name)
		}
	}
	for _, p := range t.list("is") {
		k, v, ok := strings.Cut(p, "=")
		if !ok {
			return m, fmt.Errorf("is has %q; write what it is as metal=zinc-coated", p)
		}
		if m.Props == nil {
			m.Props = map[string]string{}
		}
		m.Props[strings.TrimSpace(k)] = strings.TrimSpace(v)
	}
	capacity, err := t.spread("capacity_ml")
	if err != nil {
		return m, err
	}
	m.Capacity = capacity
	switch r := t.cell("refused"); r {
	case yes:
		m.Refused = true
	case "", "no":
	default:
		return m, fmt.Errorf("refused is %q; it has to be yes, no or empty", r)
	}
	for _, s := range t.list("contains") {
		c, err := readContent(s)
		if err != nil {
			return m, fmt.Errorf("contains is %q; %w", s, err)
		}
		m.Contains = append(m.Contains, c)
	}
	for _, f := range []struct{ column, key string }{{"density_g_per_mL", "rho"}, {"bulk_g_per_mL", "bulk"}} {
		r, err := t.spread(f.column)
		if err != nil {
			return m, err
		}
		if r != nil {
			m.Figures = append(
				m.Figures,
				Figure{
					Text:    f.key + " " + written(*r),
					Key:     f.key,
					Low:     r.Low,
					Typical: r.Typical,
					High:    r.High,
					Unit:    "g/mL",
					Quality: "varies",
				},
			)
		}
	}
	m.Piece, err = t.spread("piece_g")
	return m, err
}

func (t tableRow) swap() (Rule, error) {
	r := Rule{
		ID:        t.cell("id"),
		Role:      t.cell("role"),
		Results:   t.list("results"),
		Basis:     Basis(t.cell("basis")),
		Class:     Class(t.cell("class")),
		Effect:    t.cell("effect"),
		Safety:    t.cell("safety"),
		Procedure: t.cell("procedure"),
	}
	for _, s := range []struct {
		column string
		side   *Side
	}{{"from", &r.From}, {"to", &r.To}} {
		s.side.Materials, s.side.Form = t.list(s.column), t.cell(s.column+"_form")
		switch p := t.cell(s.column + "_percent"); {
		case p == asStrong && s.column == "to":
			s.side.Same = true
		case p != "":
			v, err := number(p)
			if err != nil || v > 100 {
				return r, fmt.Errorf("%s_percent is %q; it has to be a strength in %%, such as 5", s.column, p)
			}
			s.side.Percent = v
		}
	}
	var err error
	r.Factor, err = t.spread("factor")
	return r, err
}

// readContent reads what WriteCSV writes of a content, such as
// "acetic-acid 4-5-6 w/v" or "citric-acid 100 w/w anhydrous".
func readContent(s string) (Content, error) {
	parts := strings.Fields(s)
	if len(parts) < 3 {
		return Content{}, errors.New("write it as acetic-acid 4-6 w/v: the substance, how much, and of what")
	}
	r, err := readSpread(parts[1])
	return Content{Substance: parts[0], Range: r, Basis: parts[2], Form: strings.Join(parts[3:], " ")}, err
}

// readSpread reads low-typical-high, low-high (typical is their middle) or
// one number.
func readSpread(s string) (Range, error) {
	var v []float64
	for _, part := range strings.Split(strings.ReplaceAll(s, "–", "-"), "-") {
		n, err := number(part)
		if err != nil {
			return Range{}, err
		}
		v = append(v, n)
	}
	if len(v) > 3 || !slices.IsSorted(v) {
		return Range{}, errors.New("a range is the lowest, the usual and the highest number, such as 4-5-6")
	}
	return Range{v[0], (v[(len(v)-1)/2] + v[len(v)/2]) / 2, v[len(v)-1]}, nil
}

// number is a number above 0, with a decimal point or comma.
func number(s string) (float64, error) {
	v, err := strconv.ParseFloat(strings.Replace(strings.TrimSpace(s), ",", ".", 1), 64)
	if err != nil || !(v > 0 && v <= 1e6) {
		return 0, errors.New("it has to be a number above 0, such as 0.9")
	}
	return v, nil
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
