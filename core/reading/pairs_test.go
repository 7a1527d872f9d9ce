package reading

import (
	"fmt"
	"math/rand"
	"slices"
	"testing"
)

func TestPairs(t *testing.T) {
	for n := 2; n <= MostInPairs; n++ {
		things := []string{"a", "b", "c", "d", "e"}[:n]
		pairs := Pairs(things)
		if len(pairs) != n*(n-1)/2 {
			t.Errorf("%d things make %d pairs", n, len(pairs))
		}
		seen, left := map[string]bool{}, map[string]int{}
		for _, p := range pairs {
			if seen[p.A+p.B] || seen[p.B+p.A] || p.A == p.B {
				t.Errorf("%v is asked twice", p)
			}
			seen[p.A+p.B] = true
			left[p.A]++
		}
		for _, id := range things {
			if n > 2 && (left[id] == 0 || left[id] == n-1) {
				t.Errorf("of %d, %s stands on one side alone", n, id)
			}
		}
	}
	if !slices.Equal(things(Pairs([]string{"a", "b", "c", "d", "e"})), things(Pairs([]string{"a", "b", "c", "d", "e"}))) {
		t.Error("the sequence changes")
	}
}

func things(pairs []Pair) (out []string) {
	for _, p := range pairs {
		out = append(out, p.A+p.B)
	}
	return out
}

// Answers by a hidden order, with ties, give that order back, whatever the sides.
func TestOrderedGivesBackTheOrder(t *testing.T) {
	rng := rand.New(rand.NewSource(2))
	for range 500 {
		ids := []string{"a", "b", "c", "d", "e"}[:2+rng.Intn(4)]
		rank := map[string]int{}
		for _, id := range ids {
			rank[id] = rng.Intn(4)
		}
		pairs := Pairs(ids)
		for i := range pairs {
			switch p := &pairs[i]; {
			case rank[p.A] < rank[p.B]:
				p.Said = "a"
			case rank[p.A] > rank[p.B]:
				p.Said = "b"
			default:
				p.Said = "same"
			}
		}
		order, circle := Ordered(pairs)
		if len(circle) > 0 {
			t.Fatalf("%v: a circle of %v", rank, circle)
		}
		for i, place := range order {
			for _, id := range place {
				if rank[id] != rank[place[0]] || i > 0 && rank[order[i-1][0]] >= rank[id] {
					t.Fatalf("%v became %v", rank, order)
				}
			}
		}
	}
}

func TestOrderedNamesACircle(t *testing.T) {
	order, circle := Ordered([]Pair{{"a", "b", "a"}, {"b", "c", "a"}, {"c", "a", "a"}, {"a", "d", "a"}, {"b", "d", "a"},
		{"d", "c", "b"}})
	slices.Sort(circle)
	if fmt.Sprint(order) != "[[a b c] [d]]" || fmt.Sprint(circle) != "[a b c]" {
		t.Errorf("%v, circle %v", order, circle)
	}
	if order, circle := Ordered(nil); order != nil || circle != nil {
		t.Error("nothing said makes an order")
	}
}
