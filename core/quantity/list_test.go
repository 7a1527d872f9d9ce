package quantity

import (
	"slices"
	"testing"
)

func TestDivide(t *testing.T) {
	for _, c := range []struct {
		typed string
		items []string // none: it is asked
	}{
		{"12; 13; 14", []string{"12", "13", "14"}}, {"12\n13\n", []string{"12", "13"}},
		{"2,5; 3,1", []string{"2,5", "3,1"}},
		{"12, 13, 14", []string{"12", "13", "14"}}, {"2,5, 3,1", []string{"2,5", "3,1"}},
		{"12 mm, 13 mm", []string{"12 mm", "13 mm"}},
		{"12 13 14", []string{"12", "13", "14"}}, {"2,5 3,1", []string{"2,5", "3,1"}},
		{"12 mm 13 mm", []string{"12 mm", "13 mm"}}, {"-4 -3.5 2", []string{"-4", "-3.5", "2"}},
		{"1 1/2 2 1/4", []string{"1 1/2", "2 1/4"}}, {"9.7 ± 0.2", []string{"9.7 ± 0.2"}},
		{"1,2,3", []string{"1", "2", "3"}}, {"12 mm,13 mm", []string{"12 mm", "13 mm"}},
		{"2.5,3.1", []string{"2.5", "3.1"}}, {"1.234,5", []string{"1.234,5"}},
		{"7", []string{"7"}}, {"2,5 cm", []string{"2,5 cm"}}, {"", []string{}}, {" ; ", []string{}},
		{"beans and peas", []string{"beans and peas"}},
		{"2,5", nil}, {"12,5,13,5", nil}, {"1,200,300", nil}, {"1,2", nil},
	} {
		items, ok := Divide(c.typed)
		if ok != (c.items != nil) || ok && !slices.Equal(items, c.items) {
			t.Errorf("%q: %q %v, want %q", c.typed, items, ok, c.items)
		}
	}
}
