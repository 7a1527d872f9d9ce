package larder_test

import (
	"bytes"
	"maps"
	"reflect"
	"slices"
	"strings"
	"testing"

	"patient-kitchen/core/larder"
	"patient-kitchen/core/text"
)

// Every thing of the larder goes through the table and back with what a safety
// rule or a conversion counts with.
func TestThingsThroughATable(t *testing.T) {
	l := larder.Standard()
	own := append(
		slices.Clone(l.Materials),
		larder.Material{
			ID:      "minus",
			Name:    text.Localized{"en": "-1 a trick", "es": "@truco"},
			Hazards: []string{"slip"},
		},
	)
	for len(own) > 0 {
		some := own[:min(len(own), larder.MaxOwn)]
		own = own[len(some):]
		var b bytes.Buffer
		if err := larder.WriteCSV(&b, some); err != nil {
			t.Fatal(err)
		}
		if strings.Contains(b.String(), ",-1 a trick") || strings.Contains(b.String(), ",@truco") {
			t.Error("a cell could be taken for a formula")
		}
		back, err := larder.ReadCSV(b.Bytes())
		if err != nil || len(back.Materials) != len(some) || back.Rules != nil {
			t.Fatalf("%v: %d of %d came back", err, len(back.Materials), len(some))
		}
		for i, got := range back.Materials {
			want := some[i]
			if got.ID != want.ID || got.Name["en"] != want.Name["en"] || got.Name["es"] != want.Name["es"] ||
				!slices.Equal(got.Roles, want.Roles) || !slices.Equal(got.Hazards, want.Hazards) ||
				!slices.Equal(got.MayHold, want.MayHold) || !slices.Equal(got.Contains, want.Contains) ||
				!reflect.DeepEqual(got.Piece, want.Piece) || got.Caveat != strings.TrimSpace(want.Caveat) ||
				got.Refused != want.Refused ||
				!maps.Equal(got.Props, want.Props) ||
				!reflect.DeepEqual(got.Capacity, want.Capacity) ||
				!slices.Equal(got.Names(), want.Names()) {
				t.Errorf("%s came back as\n%+v, was\n%+v", want.ID, got, want)
			}
			for _, key := range []string{"rho", "bulk"} {
				a, was := want.Figure(key)
				b, is := got.Figure(key)
				if was != is || a != b {
					t.Errorf("%s: %s came back as %v, was %v", want.ID, key, b, a)
				}
			}
		}
	}
}

// And every swap, but for its words and the worked example, which a table of
// own swaps does not need.
func TestSwapsThroughATable(t *testing.T) {
	var b bytes.Buffer
	all := larder.Standard().Rules
	if err := larder.WriteSwapsCSV(&b, all); err != nil {
		t.Fatal(err)
	}
	back, err := larder.ReadCSV(b.Bytes())
	if err != nil || len(back.Rules) != len(all) || back.Materials != nil {
		t.Fatalf("%v: %d of %d came back", err, len(back.Rules), len(all))
	}
	for i, got := range back.Rules {
		want := all[i]
		want.Worked, want.From.Text, want.To.Text = "", "", ""
		if want.To.Same {
			want.To.Percent = 0
		}
		if !reflect.DeepEqual(got, want) {
			t.Errorf("%s came back as\n%+v, was\n%+v", want.ID, got, want)
		}
	}
}

func TestReadCSVAsPeopleWriteIt(t *testing.T) {
	own, err := larder.ReadCSV(
		[]byte(
			"\ufeffid;name_es;contains;bulk_g_per_mL;piece_g\r\nour-vinegar;vinagre;acetic-acid 4,5–6 " +
				"w/v;0,8;1,2-1,5-2\r\n",
		),
	)
	if err != nil {
		t.Fatal(err)
	}
	m := own.Materials[0]
	bulk, _ := m.Figure("bulk")
	if c := m.Contains[0]; c.Low != 4.5 || c.Typical != 5.25 || c.High != 6 || bulk.Typical != 0.8 ||
		m.Piece.Typical != 1.5 {
		t.Errorf("%+v", m)
	}
	own, err = larder.ReadCSV([]byte("id,from,to,to_percent,factor\nx,honey,golden-syrup,same,0.9-1.1\n"))
	if err != nil || !own.Rules[0].To.Same || own.Rules[0].Factor.Typical != 1 {
		t.Errorf("%v %+v", err, own)
	}
	for table, says := range map[string]string{
		"":                                   "no head line",
		"id;thing\n":                         `"thing" is not known`,
		"name_en\nx\n":                       "column id is missing",
		"id,name_en\n\"x\n":                  "cannot be read",
		"id,bulk_g_per_mL\nx,abc\n":          `line 2: bulk_g_per_mL is "abc"`,
		"id,bulk_g_per_mL\nx,2-1\n":          "lowest, the usual and the highest",
		"id,bulk_g_per_mL\nx,1-2-3-4\n":      "lowest, the usual and the highest",
		"id,piece_g\nx,NaN\n":                "a number above 0",
		"id,piece_g\ny,2\nx,Inf\n":           "line 3",
		"id,contains\nx,acetic-acid\n":       "write it as acetic-acid 4-6 w/v",
		"id,contains\nx,acetic-acid 0 w/v\n": "a number above 0",
		"id,is\nx,metal\n":                   "metal=zinc-coated",
		"id,refused\nx,perhaps\n":            `refused is "perhaps"`,
		"id,from,to,hazards\nx,y,z,slip\n":   `"hazards" is not known`,
		"id,from,from_percent\nx,y,same\n":   "from_percent",
		"id,from,to,to_percent\nx,y,z,101\n": "to_percent is \"101\"",
		"id,from,to,factor\nx,y,z,twice\n":   "factor",
		"id\n" + strings.Repeat("x\n", 501):  "more than 500 lines",
	} {
		if _, err := larder.ReadCSV([]byte(table)); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%q: %v, wanted %q", table, err, says)
		}
	}
}

func FuzzReadCSV(f *testing.F) {
	f.Add([]byte("id,name_en,hazards,contains\nx,y,slip; dust,acetic-acid 4-5-6 w/v\n"))
	f.Add([]byte("\ufeffid;name_es\nx;\"y\n"))
	f.Add([]byte("id,role,from,to,class,factor\nx,mild-acid,vinegar-white,lemon-juice-fresh,separate,1-2\n"))
	f.Fuzz(func(t *testing.T, data []byte) {
		own, err := larder.ReadCSV(data)
		if err == nil {
			larder.Standard().With(own)
		}
	})
}
