package quantity

import (
	"strconv"
	"testing"
)

// Growth over the number of amounts is linear.
func BenchmarkParse(b *testing.B) {
	typed := []string{"2 1/4 cup", "68 °F", "1,25 L", "5' 3\"", "4-6 drops", "−3.5 °C", "12.5 g/mL"}
	for _, n := range []int{100, 1_000, 10_000} {
		b.Run(strconv.Itoa(n), func(b *testing.B) {
			for b.Loop() {
				for i := range n {
					if _, err := Parse(typed[i%len(typed)]); err != nil {
						b.Fatal(err)
					}
				}
			}
		})
	}
}

func BenchmarkParseTyped(b *testing.B) {
	field := Field{Dim: Volume, Unit: "mL", Language: "en", System: US}
	typed := []string{"about 50 mL", "half a cup", "1 1/2 tsp", "2 heaped tsp", "1/4"}
	for _, n := range []int{100, 1_000, 10_000} {
		b.Run(strconv.Itoa(n), func(b *testing.B) {
			for b.Loop() {
				for i := range n {
					ParseTyped(typed[i%len(typed)], field)
				}
			}
		})
	}
}
