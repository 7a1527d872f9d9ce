package kitchens_test

import (
	"bytes"
	"strings"
	"testing"

	"patient-kitchen/core/kitchen"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/view/kitchens"
	_ "patient-kitchen/internal/words"
)

var asked = []kitchens.Question{
	{ID: "table-salt", Name: "table salt"}, {ID: "jam-jar", Name: "jam jar"},
	{ID: "mass", Tool: true, Name: "A kitchen scale", Steps: []string{"1 g"}},
}

func homes() []kitchens.Home {
	return []kitchens.Home{
		{Nickname: "Fern", Answers: kitchens.Fields{Things: map[string]kitchen.Answer{"jam-jar": kitchen.Have}}},
		{Nickname: "Beck"},
	}
}

// What a school has in a table is read as people write it, in any of the languages; what
// cannot be read is said with its place, and the rest is kept.
func TestReadTable(t *testing.T) {
	for name, c := range map[string]struct {
		typed    string
		problems []string
		salt     kitchen.Answer // Fern's
		mass     string
	}{
		"commas":              {"home,table salt,A kitchen scale\nFern,yes,0.1 g\n", nil, kitchen.Have, "0.1 g"},
		"semicolons, Spanish": {"casa;Table Salt;mass\nfern;no hay;no\n", nil, kitchen.None, "none"},
		"tabs and a mark":     {"\ufeffhome\ttable-salt\nFern\tcan get\n", nil, kitchen.Get, ""},
		"blank changes nothing": {
			"home,table salt\nFern,\n", nil, "", "",
		},
		"a column too many":  {"home,table salt,sugar\nFern,x,x\n", []string{"“sugar”"}, kitchen.Have, ""},
		"nobody of the name": {"home,table salt\nMoss,yes\nFern,yes\n", []string{"“Moss”"}, kitchen.Have, ""},
		"no answer":          {"home,table salt,mass\nFern,perhaps,1 mL\n", []string{"“perhaps”", "“1 mL”"}, "", ""},
		"no table":           {"hello", []string{"no table"}, "", ""},
		"nothing":            {"", []string{"no table"}, "", ""},
	} {
		got := kitchens.ReadTable(c.typed, homes(), asked)
		var said []string
		for _, p := range got.Problems {
			said = append(said, text.Render(p, "en"))
		}
		if len(said) != len(c.problems) {
			t.Errorf("%s: %q", name, said)
			continue
		}
		for i, want := range c.problems {
			if !strings.Contains(said[i], want) {
				t.Errorf("%s: %q, want %s", name, said[i], want)
			}
		}
		f := got.Answers["Fern"]
		if f.Things["table-salt"] != c.salt || f.Tools["mass"] != c.mass {
			t.Errorf("%s: %+v", name, f)
		}
		if f.Things != nil && f.Things["jam-jar"] != kitchen.Have {
			t.Errorf("%s: what was said before is gone", name)
		}
	}
}

// What is written is read back, and holds no fact of a home.
func TestTableThereAndBack(t *testing.T) {
	all := homes()
	all[0].Answers.Tools = map[string]string{"mass": "none"}
	all[0].Answers.Facts = map[string]string{"allergen-egg": "yes"}
	for _, language := range text.Languages {
		var out bytes.Buffer
		if err := kitchens.Table(&out, all, asked, language); err != nil {
			t.Fatal(err)
		}
		if strings.Contains(out.String(), "egg") {
			t.Errorf("a fact of a home stands in the table: %s", out.String())
		}
		f := kitchens.ReadTable(out.String(), homes(), asked).Answers["Fern"]
		if f.Things["jam-jar"] != kitchen.Have || f.Tools["mass"] != "none" || f.Things["table-salt"] != "" {
			t.Errorf("%s: %s gives %+v", language, out.String(), f)
		}
	}
}

func FuzzReadTable(f *testing.F) {
	f.Add("home,table salt\nFern,yes\n")
	f.Add("a;\"b\nFern;x")
	f.Fuzz(func(t *testing.T, typed string) {
		for home, a := range kitchens.ReadTable(typed, homes(), asked).Answers {
			k := a.Kitchen(home)
			if err := k.Check(); err != nil {
				t.Errorf("%q: %v", typed, err)
			}
		}
	})
}
