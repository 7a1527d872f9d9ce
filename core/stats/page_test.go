package stats

import (
	"errors"
	"math"
	"testing"
)

// All orders of each home's own ranks, gone through one by one.
func pageByHand(homes [][]float64) float64 {
	l := func(rows [][]float64) (sum float64) {
		for _, row := range rows {
			for j, r := range row {
				sum += float64(2*(j+1)-len(row)-1) * 2 * r
			}
		}
		return sum
	}
	ranked := make([][]float64, len(homes))
	for h := range homes {
		ranked[h] = Ranks(homes[h])
	}
	seen, far, all := math.Abs(l(ranked)), 0, 0
	var walk func(h int, rows [][]float64)
	walk = func(h int, rows [][]float64) {
		if h == len(ranked) {
			all++
			if math.Abs(l(rows)) >= seen-1e-9 {
				far++
			}
			return
		}
		for _, p := range permutations(len(ranked[h])) {
			row := make([]float64, len(p))
			for j, i := range p {
				row[j] = ranked[h][i]
			}
			walk(h+1, append(rows[:h:h], row))
		}
	}
	walk(0, nil)
	return float64(far) / float64(all)
}

func TestPage(t *testing.T) {
	for _, homes := range [][][]float64{
		{{1, 2, 3}, {1, 3, 2}, {1, 2, 3}, {2, 1, 3}},
		{{3, 2, 1}, {3, 1, 2}, {3, 2, 1}},
		{{1, 2, 2}, {1, 1, 2}, {3, 2, 1}, {1, 2, 3}},
		{{1, 2, 3, 4}, {2, 1, 3, 4}, {1, 2, 4, 3}},
		{{1, 1, 1}, {1, 2, 3}},
	} {
		f, err := Page(homes)
		if want := pageByHand(homes); err != nil || math.Abs(f.P-want) > 1e-12 {
			t.Errorf("%v: p %v, not %v (%v)", homes, f.P, want, err)
		}
	}
	// All homes in the stated order: agreement 1, and of 6 orders each one is as far
	// on either side.
	same := [][]float64{{1, 2, 3}, {1, 2, 3}, {1, 2, 3}, {1, 2, 3}, {1, 2, 3}}
	if f, _ := Page(same); f.Estimate != 1 || math.Abs(f.P-2/math.Pow(6, 5)) > 1e-15 {
		t.Errorf("%+v", f)
	}
	// Many homes and more things than can be gone through: as the exact test has it,
	// within what a normal distribution misses.
	var many [][]float64
	for h := range 150 {
		row := []float64{1, 2, 3, 4}
		if h%2 == 0 {
			row = [][]float64{{4, 3, 2, 1}, {2, 1, 4, 3}, {3, 1, 2, 4}, {1, 4, 3, 2}}[h/2%4]
		}
		many = append(many, row)
	}
	exact, _ := Page(many)
	twice, _ := Page(append(append([][]float64{}, many...), many...)) // above the most: normal
	z := func(f Result) float64 { return f.Statistic }
	if z(twice) != 2*z(exact) || twice.P >= exact.P || twice.P <= 0 {
		t.Errorf("%+v %+v", exact, twice)
	}
	for _, c := range []struct {
		homes [][]float64
		err   error
	}{{nil, ErrFew}, {[][]float64{{1}, {1}}, ErrFew}, {[][]float64{{1, 2}, {1}}, ErrLengths},
		{[][]float64{{1, 1}, {2, 2}}, ErrAllSame}} {
		if _, err := Page(c.homes); !errors.Is(err, c.err) {
			t.Errorf("%v: %v", c.homes, err)
		}
	}
}
