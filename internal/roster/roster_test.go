package roster_test

import (
	"slices"
	"strings"
	"testing"
	"unicode/utf8"

	"patient-kitchen/internal/roster"
)

// Five made-up lists as five different programs write them; each says what its homes
// are, and that no cell of it is lost.
func TestSchoolLists(t *testing.T) {
	for name, c := range map[string]struct {
		raw     string
		fields  []string
		homes   int
		first   map[string]string
		notes   []string // of the first
		samples string   // of the first column
	}{
		"a British office, commas, heads in another order": {
			"Surname,Forename,Home Language,Parent Email,Mobile\r\nFernsby,Fern,English,f@home.example,0555 010 " +
				"101\r\nBeckett,Beck,Polish,,\r\n",
			[]string{"", "nickname", "language", "contact", "phone"}, 2,
			map[string]string{"nickname": "Fern", "language": "English", "contact": "f@home.example",
				"phone": "0555 010 101"}, nil, "Fernsby"},
		"a Spanish office, semicolons, Latin-1": {
			"Alumno/a;Tutor/a;Tel\xe9fono;Idioma en casa\r\n\xcd\xf1igo;Sra. Pe\xf1a;0555 010 102;espa\xf1ol\r\n",
			[]string{"nickname", "note", "phone", "language"}, 1,
			map[string]string{"nickname": "Íñigo", "phone": "0555 010 102", "language": "español"},
			[]string{"Tutor/a: Sra. Peña"}, "Íñigo"},
		"a spreadsheet, tabs, breaks inside cells": {
			"Nickname\tNotes\tStudents\nHare\t\"two of them,\nask for \"\"both\"\"\"\tHare the elder, Hare the " +
				"younger\nLark\t\t\n",
			[]string{"nickname", "note", "students"}, 2,
			map[string]string{"nickname": "Hare", "students": "Hare the elder, Hare the younger"},
			[]string{`two of them, ask for "both"`}, "Hare"},
		"a Unicode export of a spreadsheet, two mails": {
			"\xff\xfe" + utf16("Name;E-mail;Guardian email;Bus\nSnipe;s@home.example;g@home.example;4\n"),
			[]string{"nickname", "contact", "contact", "note"}, 1,
			map[string]string{"nickname": "Snipe", "contact": "s@home.example + g@home.example"}, []string{"Bus: 4"},
			"Snipe"},
		"typed, no heads, quoted comma": {
			"\"Upper Sphagnum, Reservoir 2\", es, , 0555 010 103, A + B, Up, left-handed\nTarn\n",
			[]string{"nickname", "language", "contact", "phone", "students", "letters", "note"}, 2,
			map[string]string{"nickname": "Upper Sphagnum, Reservoir 2", "language": "es", "phone": "0555 010 103",
				"students": "A + B", "letters": "Up"}, []string{"left-handed"}, "Upper Sphagnum, Reservoir 2"},
	} {
		list := roster.Read(roster.Decode([]byte(c.raw)), nil)
		var fields []string
		for _, k := range list.Columns {
			fields = append(fields, k.Field)
		}
		if !slices.Equal(fields, c.fields) || len(list.Rows) != c.homes {
			t.Errorf("%s: %v, %d homes; want %v, %d", name, fields, len(list.Rows), c.fields, c.homes)
			continue
		}
		row := list.Rows[0]
		for field, want := range c.first {
			if row.Cells[field] != want {
				t.Errorf("%s: %s is %q, want %q", name, field, row.Cells[field], want)
			}
		}
		if len(row.Cells) != len(c.first) || !slices.Equal(row.Notes, c.notes) ||
			list.Columns[0].Samples[0] != c.samples {
			t.Errorf("%s: %+v %q %v", name, row.Cells, row.Notes, list.Columns[0].Samples)
		}
	}
}

func utf16(s string) string {
	var b strings.Builder
	for _, r := range s {
		b.WriteByte(byte(r))
		b.WriteByte(byte(r >> 8))
	}
	return b.String()
}

// A second telephone, name or language is kept in the note: joined it would be none.
func TestTwoColumnsOfOneField(t *testing.T) {
	r := roster.Read("Forename,Mobile,Emergency contact number,Known as\nFern,0555 010 101,0555 010 102,Fee\n",
		nil).Rows[0]
	if r.Cells["phone"] != "0555 010 101" || r.Cells["nickname"] != "Fern" ||
		!slices.Equal(r.Notes, []string{"Emergency contact number: 0555 010 102", "Known as: Fee"}) {
		t.Errorf("%+v", r)
	}
}

// What the teacher says of a column goes before what its head says.
func TestMapping(t *testing.T) {
	list := roster.Read("Name,House,Mail\nFern,Moor,f@home.example\n", []string{"students", "nickname", ""})
	if r := list.Rows[0]; r.Cells["nickname"] != "Moor" || r.Cells["students"] != "Fern" || len(r.Cells) != 2 ||
		len(r.Notes) != 0 {
		t.Errorf("%+v", r)
	}
	if list := roster.Read("Name\nFern", []string{"nonsense", "nickname"}); list.Columns[0].Field != "nickname" {
		t.Errorf("%+v", list.Columns)
	}
}

func TestOddLists(t *testing.T) {
	for raw, homes := range map[string]int{"": 0, "\n \n": 0, "Fern": 1, "nickname": 0, "Fern\n\"Beck\nCairn": 3,
		"\ufeffFern\r\nBeck\rCairn": 3} {
		if list := roster.Read(raw, nil); len(list.Rows) != homes {
			t.Errorf("%q: %d homes, want %d: %+v", raw, len(list.Rows), homes, list.Rows)
		}
	}
	if list := roster.Read("Fern\n\"Beck\nCairn", nil); !list.Rows[1].Broken || list.Rows[2].Line != 3 {
		t.Errorf("%+v", list.Rows)
	}
}

func FuzzRead(f *testing.F) {
	for _, s := range []string{"", "a,b\n\"c", "Name;x\n1;2;3", "\xff\xfea\x00", "\xe9;\x00\"\""} {
		f.Add([]byte(s))
	}
	f.Fuzz(func(t *testing.T, raw []byte) {
		text := roster.Decode(raw)
		if !utf8.ValidString(text) {
			t.Fatal("not decoded")
		}
		for _, row := range roster.Read(text, nil).Rows {
			if row.Line < 1 {
				t.Errorf("%+v", row)
			}
		}
	})
}
