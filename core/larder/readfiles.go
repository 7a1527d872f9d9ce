package larder

import (
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/text"
)

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
	at, swaps, err := readHead(head)
	if err != nil {
		return Own{}, err
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
		err = own.take(tableRow{row, at}, swaps)
		if err != nil {
			return Own{}, fmt.Errorf("line %d: %w", line, err)
		}
		if len(own.Materials)+len(own.Rules) > MaxOwn {
			return Own{}, fmt.Errorf("the table has more than %d lines; take some out", MaxOwn)
		}
	}
}

// readHead is where each column stands, and whether the lines are swaps.
func readHead(head []string) (at map[string]int, swaps bool, err error) {
	at = map[string]int{}
	for i, h := range head {
		at[strings.TrimSpace(h)] = i
	}
	_, from := at["from"]
	_, to := at["to"]
	columns := thingColumns
	if swaps = from || to; swaps {
		columns = swapColumns
	}
	for _, h := range head {
		if h = strings.TrimSpace(h); !slices.Contains(columns, h) {
			return nil, false, fmt.Errorf("the column %q is not known; the columns are %s", h, strings.Join(columns, ", "))
		}
	}
	if _, ok := at["id"]; !ok {
		return nil, false, errors.New("the column id is missing; give each entry one, such as school-soap")
	}
	return at, swaps, nil
}

// take adds a line: a thing, or a swap.
func (o *Own) take(row tableRow, swap bool) error {
	if swap {
		r, err := row.swap()
		if err == nil {
			o.Rules = append(o.Rules, r)
		}
		return err
	}
	m, err := row.thing()
	if err == nil {
		o.Materials = append(o.Materials, m)
	}
	return err
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
		Roles:      t.list("roles"),
		Hazards:    t.list("hazards"),
		MayHold:    t.list("may_hold"),
		UsualPlace: t.cell("usual_place"),
		Cost:       t.cell("cost"),
		Caveat:     t.cell("caveat"),
	}
	m.Name, m.Also = t.names()
	for _, read := range []func(*Material) error{t.is, t.refused, t.contains, t.figures} {
		if err := read(&m); err != nil {
			return m, err
		}
	}
	return m, nil
}

// names are a thing's name in each language and what else it is called; "ES: judías" is
// said in one country.
func (t tableRow) names() (name text.Localized, also map[string][]string) {
	name = text.Localized{}
	for _, lang := range text.Languages {
		if n := t.cell("name_" + lang); n != "" {
			name[lang] = n
		}
		for _, n := range t.list("also_" + lang) {
			if also == nil {
				also = map[string][]string{}
			}
			key := lang
			if region, rest, ok := strings.Cut(n, ": "); ok && len(region) == 2 && strings.ToUpper(region) == region {
				key, n = lang+"-"+region, rest
			}
			also[key] = append(also[key], n)
		}
	}
	return name, also
}

func (t tableRow) is(m *Material) error {
	for _, p := range t.list("is") {
		k, v, ok := strings.Cut(p, "=")
		if !ok {
			return fmt.Errorf("is has %q; write what it is as metal=zinc-coated", p)
		}
		if m.Props == nil {
			m.Props = map[string]string{}
		}
		m.Props[strings.TrimSpace(k)] = strings.TrimSpace(v)
	}
	return nil
}

func (t tableRow) refused(m *Material) error {
	switch r := t.cell("refused"); r {
	case yes:
		m.Refused = true
	case "", "no":
	default:
		return fmt.Errorf("refused is %q; it has to be yes, no or empty", r)
	}
	return nil
}

func (t tableRow) contains(m *Material) error {
	for _, s := range t.list("contains") {
		c, err := readContent(s)
		if err != nil {
			return fmt.Errorf("contains is %q; %w", s, err)
		}
		m.Contains = append(m.Contains, c)
	}
	return nil
}

// figures reads how much a thing holds, how heavy it is by volume and by the piece.
func (t tableRow) figures(m *Material) (err error) {
	if m.Capacity, err = t.spread("capacity_ml"); err != nil {
		return err
	}
	for _, f := range []struct{ column, key string }{{"density_g_per_mL", "rho"}, {"bulk_g_per_mL", "bulk"}} {
		r, err := t.spread(f.column)
		if err != nil {
			return err
		}
		if r == nil {
			continue
		}
		m.Figures = append(m.Figures, Figure{
			Text:    f.key + " " + written(*r),
			Key:     f.key,
			Low:     r.Low,
			Typical: r.Typical,
			High:    r.High,
			Unit:    "g/mL",
			Quality: "varies",
		})
	}
	m.Piece, err = t.spread("piece_g")
	return err
}

func (t tableRow) swap() (SwapRule, error) {
	r := SwapRule{
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
