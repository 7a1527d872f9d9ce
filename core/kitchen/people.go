package kitchen

// People is who lives in a home, as far as safety asks. Every answer may be
// missing: a home that has not answered is judged as the most careful case.
type People struct {
	Adult     *bool    `json:"adult,omitempty" doc:"An adult named by the guardian is there for the adult jobs"`
	Under4    *bool    `json:"under_4,omitempty" doc:"A child under 4 lives there"`
	Under6    *bool    `json:"under_6,omitempty" doc:"A child under 6 lives there"`
	Pet       *bool    `json:"pet,omitempty"`
	Asthma    *bool    `json:"asthma,omitempty" doc:"Or weak lungs or immunity"`
	Goggles   *bool    `json:"goggles,omitempty" doc:"Eye protection for everyone at the table; spectacles never count"`
	Answered  bool     `json:"answered,omitempty" doc:"The allergies were asked and answered"`
	Allergens []string `json:"allergens,omitempty" doc:"Ids of what the home avoids"`
	Covered   bool     `json:"covered,omitempty" doc:"What stands is labelled, covered and out of reach"`
}

// Said is what a home has said, and where it has said nothing the usual: a step that a
// fact could raise asks for it on the phone, and stays closed until it is answered.
func (p People) Said() People {
	yes, no := true, false
	for _, fact := range []**bool{&p.Under4, &p.Under6, &p.Pet, &p.Asthma} {
		if *fact == nil {
			*fact = &no
		}
	}
	for _, fact := range []**bool{&p.Adult, &p.Goggles} {
		if *fact == nil {
			*fact = &yes
		}
	}
	p.Answered, p.Covered = true, true
	return p
}

// Maybe is the answer, or the careful one where there is none.
func Maybe(answer *bool, careful bool) bool {
	if answer == nil {
		return careful
	}
	return *answer
}
