package app

import (
	"strings"
	"testing"

	"patient-kitchen/internal/store"
)

var class = store.Class{Language: "en"}

func TestReadRoster(t *testing.T) {
	for name, c := range map[string]struct {
		text string
		want []HomeFields
	}{
		"one a line": {"Fern\n\n  Beck  \r\n", []HomeFields{{Nickname: "Fern", Letters: "Fe", Language: "en"},
			{Nickname: "Beck", Letters: "Be", Language: "en"}}},
		"comma": {"Fern, español, , 0555 010 101, F + G",
			[]HomeFields{{Nickname: "Fern", Letters: "Fe", Language: "es", Phone: "0555 010 101",
				Students: []string{"F", "G"}}}},
		"semicolon, a head": {"idioma;apodo\nes;Cairn",
			[]HomeFields{{Nickname: "Cairn", Letters: "Ca", Language: "es"}}},
		"tab": {"Tarn\ten", []HomeFields{{Nickname: "Tarn", Letters: "Ta", Language: "en"}}},
		"quoted": {"\"Upper Sphagnum, Reservoir 2\",en",
			[]HomeFields{{Nickname: "Upper Sphagnum, Reservoir 2", Letters: "Up", Language: "en"}}},
		"letters taken": {"Snipe\nSnow\nSnake", []HomeFields{{Nickname: "Snipe", Letters: "Sn", Language: "en"},
			{Nickname: "Snow", Letters: "So", Language: "en"}, {Nickname: "Snake", Letters: "Sa", Language: "en"}}},
		"right to left": {"سرخس", []HomeFields{{Nickname: "سرخس", Letters: "سر", Language: "en"}}},
	} {
		lines := ReadRoster(c.text, nil, class, nil, "en").Items
		if len(lines) != len(c.want) {
			t.Errorf("%s: %d lines, want %d", name, len(lines), len(c.want))
			continue
		}
		for i, w := range c.want {
			g := lines[i].Home
			if lines[i].Problem != "" || g.Nickname != w.Nickname || g.Letters != w.Letters ||
				g.Language != w.Language ||
				g.Phone != w.Phone ||
				len(g.Students) != len(w.Students) {
				t.Errorf("%s, line %d: %+v %s, want %+v", name, i+1, g, lines[i].Problem, w)
			}
		}
	}
	many := ReadRoster(strings.Repeat("x\n", 500), nil, class, nil, "en").Items
	if len(many) != maxRoster+1 || many[maxRoster].Problem == "" {
		t.Errorf("%d lines of a list that is too long", len(many))
	}
}

// A school's own list, with a language that is not one of those here: nothing of it
// is lost, and what was read is said in the teacher's language.
func TestRosterKeepsWhatItDoesNotKnow(t *testing.T) {
	v := ReadRoster(
		"Alumno;Lengua materna;Correo;Tutor/a\nÍñigo;euskera;i@home.example;Sra. B\nCai;español;;",
		nil,
		class,
		nil,
		"es",
	)
	if len(v.Columns) != 4 || v.Columns[0].Field != "nickname" || v.Columns[2].Field != "contact" ||
		v.Columns[3].Field != "note" {
		t.Fatalf("%+v", v.Columns)
	}
	if h := v.Items[0].Home; h.Nickname != "Íñigo" || h.Language != "en" || h.Contact != "i@home.example" ||
		h.Note != "Tutor/a: Sra. B; idioma en casa: euskera" ||
		v.Items[0].Problem != "" {
		t.Errorf("%+v", v.Items[0])
	}
	if h := v.Items[1].Home; h.Language != "es" || h.Note != "" {
		t.Errorf("%+v", h)
	}
}

func FuzzReadRoster(f *testing.F) {
	f.Add("nickname;language\nFern;es\n\"Beck")
	f.Add("a,b,c\n\t;;\n'=1+1")
	f.Fuzz(func(t *testing.T, text string) {
		letters, names := map[string]bool{}, map[string]bool{}
		for _, l := range ReadRoster(text, nil, class, []store.Home{{Nickname: "Fern", Letters: "Fe"}}, "en").Items {
			if l.Problem != "" {
				continue
			}
			key := strings.ToLower(l.Home.Nickname)
			if l.Home.Nickname == "" || letters[l.Home.Letters] || names[key] || len([]rune(l.Home.Letters)) != 2 {
				t.Errorf("%q gives %+v", text, l)
			}
			letters[l.Home.Letters], names[key] = true, true
		}
	})
}
