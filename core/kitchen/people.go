package kitchen

// People is who lives in a home, as far as safety asks. Every answer may be
// missing: a home that has not answered is judged as the most careful case.
type People struct {
	Adult     *bool // an adult named by the guardian is there for the adult jobs
	Under4    *bool // a child under 4 lives there
	Under6    *bool // a child under 6 lives there
	Pet       *bool
	Asthma    *bool // or weak lungs or immunity
	Goggles   *bool // eye protection for everyone at the table; spectacles never count
	Answered  bool  // the allergies were asked and answered
	Allergens []string
	Covered   bool // what stands is labelled, covered and out of reach
}

// Maybe is the answer, or the careful one where there is none.
func Maybe(answer *bool, careful bool) bool {
	if answer == nil {
		return careful
	}
	return *answer
}
