package reading

import (
	"cmp"
	"slices"
)

// MostInPairs is how many things are asked two at a time at most: five make ten pairs.
const MostInPairs = 5

// Pair is two things held against each other, in the order of its sides, and what was said.
type Pair struct {
	A    string `json:"a"`
	B    string `json:"b"`
	Said string `json:"said,omitempty" enum:"a,b,same" doc:"Which stands nearer the beginning of the order"`
}

// Pairs are every two of the things once, so that no thing is asked about twice running
// where that can be helped, and each stands on both sides about as often: the rounds of a
// tournament in which each meets each (circle method).
func Pairs(things []string) []Pair {
	ring := slices.Clone(things)
	if len(ring)%2 == 1 {
		ring = append(ring, "") // whoever meets it rests
	}
	n := len(ring)
	lead := map[string]int{} // how much oftener it stood first than second
	var out []Pair
	for range n - 1 {
		for i := range n / 2 {
			a, b := ring[i], ring[n-1-i]
			if a == "" || b == "" {
				continue
			}
			if lead[b] < lead[a] {
				a, b = b, a
			}
			lead[a]++
			lead[b]--
			out = append(out, Pair{A: a, B: b})
		}
		ring = append(ring[:1], append([]string{ring[n-1]}, ring[1:n-1]...)...)
	}
	return out
}

// Ordered is the order that the answers to pairs make: by how many others a thing stands
// before, one it is alike counting half (the score of a round robin; for a whole set of
// answers without a circle it is the order itself). Things with the same score share a
// place. In a circle (A before B before C before A) they do, and are named.
func Ordered(pairs []Pair) (order [][]string, circle []string) {
	score := map[string]int{}
	var things []string
	add := func(id string, by int) {
		if _, known := score[id]; !known {
			things = append(things, id)
		}
		score[id] += by
	}
	for _, p := range pairs {
		switch p.Said {
		case "a":
			add(p.A, 2)
			add(p.B, 0)
		case "b":
			add(p.A, 0)
			add(p.B, 2)
		default:
			add(p.A, 1)
			add(p.B, 1)
		}
	}
	slices.SortStableFunc(things, func(a, b string) int { return cmp.Compare(score[b], score[a]) })
	for i, id := range things {
		if i > 0 && score[things[i-1]] == score[id] {
			order[len(order)-1] = append(order[len(order)-1], id)
		} else {
			order = append(order, []string{id})
		}
	}
	for _, p := range pairs {
		against := p.Said == "a" && score[p.A] <= score[p.B] || p.Said == "b" && score[p.B] <= score[p.A]
		for _, id := range []string{p.A, p.B} {
			if against && !slices.Contains(circle, id) {
				circle = append(circle, id)
			}
		}
	}
	return order, circle
}
