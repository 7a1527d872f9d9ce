package kitchen_test

import (
	"strings"
	"testing"

	"patient-kitchen/core/kitchen"
)

// What is no file of kitchens is refused with the place and how to mend it.
func TestRead(t *testing.T) {
	for _, c := range [][2]string{
		{`{"homes": [{"home": "Fern", "things": {"salt": "have"}, "strengths": {"vinegar-white": 6},
			"tools": {"mass": "0.1 g"}}]}`, ""},
		{`[]`, "could not be read"},
		{`{"homes": [{"home": ""}]}`, "homes[0].home"},
		{`{"homes": [{"home": "Fern"}, {"home": "Fern"}]}`, "homes[1].home"},
		{`{"homes": [{"home": "Fern", "things": {"salt": "some"}}]}`, "homes[0].things.salt"},
		{`{"homes": [{"home": "Fern", "strengths": {"vinegar-white": 0}}]}`, "homes[0].strengths.vinegar-white"},
		{`{"homes": [{"home": "Fern", "strengths": {"vinegar-white": 120}}]}`, "a number such as 5"},
		{`{"homes": [{"home": "Fern", "tools": {"mass": "1 mL"}}]}`, "homes[0].tools.mass"},
		{`{"homes": [{"home": "Fern", "tools": {"colour": "1"}}]}`, "mass, length, time"},
		{`{"homes": [{"home": "Fern", "cupboard": 1}]}`, "cupboard"},
		{`{"homes": [{"home": "Fern", "things": {"Salt \u0000": "have"}}]}`, "no id of the larder"},
	} {
		_, err := kitchen.Read([]byte(c[0]))
		if got := said(err); c[1] == "" && got != "" || !strings.Contains(got, c[1]) {
			t.Errorf("%s: %q", c[0], got)
		}
	}
}

func said(err error) string {
	if err == nil {
		return ""
	}
	return err.Error()
}

func FuzzRead(f *testing.F) {
	f.Add([]byte(`{"homes": [{"home": "Fern", "things": {"salt": "have"}, "tools": {"mass": "1 g"}}]}`))
	f.Fuzz(func(t *testing.T, raw []byte) {
		c, err := kitchen.Read(raw)
		if err != nil {
			return
		}
		for _, k := range c.Homes {
			if k.Home == "" || k.Check() != nil {
				t.Errorf("%+v was read", k)
			}
		}
	})
}

// What a home said stands; what it did not say is the usual.
func TestSaid(t *testing.T) {
	yes := true
	p := kitchen.People{Under4: &yes, Allergens: []string{"milk"}}.Said()
	if !*p.Under4 || *p.Pet || !*p.Adult || len(p.Allergens) != 1 || !p.Answered {
		t.Errorf("%+v", p)
	}
}

// What a home has in its hands goes before what it said; others of its class keep theirs.
func TestHas(t *testing.T) {
	said := map[string]kitchen.Answer{"salt": kitchen.None, "water-tap": kitchen.Have}
	k := kitchen.Kitchen{Things: said}
	k.Has("salt/coarse")
	if a, asked := k.Says("salt"); a != kitchen.Have || !asked || said["salt"] != kitchen.None {
		t.Errorf("%v %v", k.Things, said)
	}
	silent := kitchen.Kitchen{}
	silent.Has("salt")
	if a, _ := silent.Says("salt"); a != kitchen.Have {
		t.Errorf("%v", silent.Things)
	}
}
