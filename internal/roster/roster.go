// Package roster reads the class lists that schools have: nicknames one a line, or a
// table with comma, semicolon or tab between its cells, with heads in any order and
// several languages, in UTF-8, UTF-16 or the older Western European encoding.
//
// It must not know what a class allows; it drops nothing: a column that it does not
// know goes into a note unless it is told otherwise. Start reading at [Read].
package roster

import (
	_ "embed"
	"encoding/csv"
	"encoding/json"
	"errors"
	"io"
	"slices"
	"strings"
	"unicode/utf8"

	"golang.org/x/text/encoding/charmap"
	"golang.org/x/text/encoding/unicode"
)

// Fields are what a column can be taken for: "" leaves it out.
var Fields = []string{"nickname", "students", "language", "contact", "phone", "letters", "note", ""}

//go:embed heads.json
var headsFile []byte

// heads are the fields by the heads that people write, in small letters.
var heads = func() map[string]string {
	var file map[string][]string
	if err := json.Unmarshal(headsFile, &file); err != nil {
		panic(err) // it ships with the program
	}
	out := map[string]string{}
	for field, words := range file {
		for _, w := range words {
			out[w] = field
		}
	}
	return out
}()

// Column is one column of a list.
type Column struct {
	Head    string   `json:"head" doc:"As it stands in the list; blank where it has no heads"`
	Field   string   `json:"field" enum:"nickname,students,language,contact,phone,letters,note," doc:"What it is taken for; blank: it is left out"`
	Samples []string `json:"samples" doc:"Up to three of its cells"`
}

// Row is one home of a list.
type Row struct {
	Line   int    // of its beginning, from 1
	Text   string // as it stands there
	Cells  map[string]string
	Notes  []string // cells of columns that are notes, each with its head
	Broken bool     // a quotation mark is not closed
}

// List is a list as it was read.
type List struct {
	Columns []Column
	Rows    []Row
}

// Decode makes text of a file: of UTF-8 or UTF-16 with their marks, and of what is
// no UTF-8 as Windows-1252, which holds Latin-1.
func Decode(raw []byte) string {
	decoded := raw
	var err error
	switch {
	case len(raw) > 1 && (raw[0] == 0xff && raw[1] == 0xfe || raw[0] == 0xfe && raw[1] == 0xff):
		decoded, err = unicode.UTF16(unicode.LittleEndian, unicode.UseBOM).NewDecoder().Bytes(raw)
	case !utf8.Valid(raw):
		decoded, err = charmap.Windows1252.NewDecoder().Bytes(raw)
	}
	if err != nil {
		decoded = raw
	}
	return strings.ToValidUTF8(string(decoded), "�")
}

// Read reads a list. The mapping says for each column what it is taken for, over
// what the heads say; with fewer entries than columns the rest is as read.
func Read(list string, mapping []string) List {
	list = strings.TrimPrefix(strings.NewReplacer("\r\n", "\n", "\r", "\n", "\x00", "").Replace(list), "\ufeff")
	records := split(list)
	out := List{}
	if len(records) == 0 {
		return out
	}
	width := 0
	for _, r := range records {
		width = max(width, len(r.cells))
	}
	first := records[0].cells
	if fields, ok := readHeads(first); ok {
		records = records[1:]
		for i := range width {
			c := Column{Field: "note", Samples: []string{}}
			if i < len(first) {
				c.Head, c.Field = strings.TrimSpace(first[i]), fields[i]
			}
			out.Columns = append(out.Columns, c)
		}
	} else {
		usual := []string{"nickname", "language", "contact", "phone", "students", "letters"}
		for i := range width {
			c := Column{Field: "note", Samples: []string{}}
			if i < len(usual) {
				c.Field = usual[i]
			}
			out.Columns = append(out.Columns, c)
		}
	}
	for i, field := range mapping {
		if i < len(out.Columns) && slices.Contains(Fields, field) {
			out.Columns[i].Field = field
		}
	}
	for _, r := range records {
		row := Row{Line: r.line, Text: r.text, Cells: map[string]string{}, Broken: r.broken}
		for i, cell := range r.cells {
			cell = strings.TrimPrefix(strings.Join(strings.Fields(cell), " "), "'")
			c := &out.Columns[i]
			if cell == "" {
				continue
			}
			if len(c.Samples) < 3 && !r.broken {
				c.Samples = append(c.Samples, cell)
			}
			switch {
			case c.Field == "note" && c.Head != "" && heads[strings.ToLower(c.Head)] != "note":
				row.Notes = append(row.Notes, c.Head+": "+cell)
			case c.Field == "note":
				row.Notes = append(row.Notes, cell)
			case c.Field != "" && row.Cells[c.Field] == "":
				row.Cells[c.Field] = cell
			case c.Field == "contact" || c.Field == "students":
				row.Cells[c.Field] += " + " + cell
			case c.Field != "": // a second telephone or name has no field left
				row.Notes = append(row.Notes, strings.TrimPrefix(c.Head+": "+cell, ": "))
			}
		}
		out.Rows = append(out.Rows, row)
	}
	return out
}

type record struct {
	line   int
	text   string
	cells  []string
	broken bool
}

// split takes a list apart. A quoted cell may hold breaks; where a quotation mark is
// never closed that line alone is broken.
func split(list string) []record {
	lines := strings.Split(list, "\n")
	comma := separator(lines)
	var out []record
	for i := 0; i < len(lines); {
		if strings.TrimSpace(lines[i]) == "" {
			i++
			continue
		}
		cells, used, err := one(lines[i:], comma)
		if err != nil {
			out = append(out, record{line: i + 1, text: lines[i], cells: []string{}, broken: true})
			i++
			continue
		}
		out = append(out, record{line: i + 1, text: strings.Join(lines[i:i+used], "\n"), cells: cells})
		i += used
	}
	return out
}

// mostLines is how many lines one record may go over.
const mostLines = 20

// one reads the record that begins at the first of some lines, and how many lines it
// takes.
func one(lines []string, comma rune) (cells []string, used int, err error) {
	for n := 1; n <= min(len(lines), mostLines); n++ {
		if strings.Count(strings.Join(lines[:n], "\n"), `"`)%2 != 0 {
			continue // inside a quoted cell
		}
		r := csv.NewReader(strings.NewReader(strings.Join(lines[:n], "\n")))
		r.Comma, r.FieldsPerRecord, r.LazyQuotes, r.TrimLeadingSpace = comma, -1, true, comma != '\t'
		cells, err = r.Read()
		if errors.Is(err, io.EOF) {
			cells, err = []string{}, nil
		}
		return cells, n, err
	}
	return nil, 1, csv.ErrQuote
}

// separator is the sign between cells: of tab, semicolon and comma the first that
// stands outside quotation marks in the first line that has any.
func separator(lines []string) rune {
	for _, line := range lines {
		outside, quoted := "", false
		for _, r := range line {
			if r == '"' {
				quoted = !quoted
			} else if !quoted {
				outside += string(r)
			}
		}
		for _, s := range "\t;," {
			if strings.ContainsRune(outside, s) {
				return s
			}
		}
	}
	return ','
}

// readHeads reads the first record as heads; it reports false where none of them is
// a home or a name. A first name is the nickname unless the list has one; surnames
// are left out, since they are not asked.
func readHeads(cells []string) (fields []string, ok bool) {
	has := map[string]bool{}
	for _, c := range cells {
		has[heads[strings.ToLower(strings.TrimSpace(c))]] = true
	}
	ok = has["nickname"] || has["first"] && len(cells) > 0
	for _, c := range cells {
		field, known := heads[strings.ToLower(strings.TrimSpace(c))]
		switch {
		case !known:
			field = "note"
		case field == "surname":
			field = ""
		case field == "first" && has["nickname"]:
			field = "students"
		case field == "first":
			field = "nickname"
		}
		fields = append(fields, field)
	}
	return fields, ok
}
