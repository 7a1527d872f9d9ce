package sheets

import (
	"slices"

	"patient-kitchen/core/design"
	"patient-kitchen/core/reading"
	"patient-kitchen/core/review"
	"patient-kitchen/core/safety"
	"patient-kitchen/core/text"
)

func (w *writer) steps(s *Sheet, d *design.Document, r review.Review) {
	jobs := map[string]safety.AdultJob{}
	for _, j := range safety.AdultJobs(d, r.Safety.Findings) {
		jobs[j.Step] = j
	}
	baselines := d.Baselines()
	for i, step := range d.Steps {
		span := r.Timeline.Steps[i]
		row := StepRow{
			ID:        step.ID,
			Kind:      string(step.Kind),
			Title:     w.say(step.Title),
			Text:      w.say(step.Text),
			See:       w.say(step.See),
			Simple:    w.say(step.Simple),
			Deeper:    w.say(step.Deeper),
			Meanwhile: w.say(step.Meanwhile),
			Start:     int(span.Start.Seconds()),
			Seconds:   int((span.End - span.Start).Seconds()),
			Gap:       int(span.Wait.Seconds()),
			Fold:      span.Folded(),
			Cautions:  []string{},
			Takes:     []design.Slot{},
			Helps:     []string{},
			Keeps:     []string{},
			Uses:      []UseRow{},
			Used:      w.used(d, i),
			Needs:     step.Needs(),
			Evidence:  append([]string{}, step.Evidence...),
			Questions: append([]string{}, step.Questions...),
			Crew:      w.crew(d, &step),
			Lanes:     w.lanes(d, &step),
			Rest:      w.rest(d, step.ID),
		}
		if step.Picture != nil {
			row.Picture = &PictureRow{step.Picture.ID, w.say(step.Picture.Alt)}
		}
		if step.Wait != nil {
			from := step.Wait.From
			if from == "" && i > 0 {
				from = d.Steps[i-1].ID
			}
			seconds, _ := design.Seconds(step.Wait.For)
			latest, _ := design.Seconds(step.Wait.Latest)
			row.Wait = &WaitRow{From: from, Seconds: int(seconds), Latest: int(latest)}
		}
		for _, f := range r.Safety.Findings {
			if slices.Contains(f.Steps, step.ID) && f.Rule != "allergen" &&
				!slices.Contains(row.Cautions, text.Render(f.Do, w.language)) {
				row.Cautions = append(row.Cautions, text.Render(f.Do, w.language))
			}
		}
		before, after := safety.StepLines(r.Safety, step.ID)
		row.Before, row.After = SayAll(before, w.language), SayAll(after, w.language)
		if j, ok := jobs[step.ID]; ok {
			row.Adult, row.AdultWhy = string(j.Verdict), text.Render(j.Why, w.language)
			for _, words := range []text.Localized{step.Title, step.Text} {
				if s, ok := words.In(w.language); s != "" && !ok {
					row.Foreign = true
				}
			}
		}
		row.Takes = append(row.Takes, d.Taken(&step)...)
		for _, t := range row.Takes {
			if r, ok := d.Reading(t.Reading); ok && !r.Deeper && slices.Contains(baselines, t.Reading) {
				row.Needed = append(row.Needed, t)
			}
		}
		for _, h := range step.Helps {
			if said := text.Render(h.Sentence(), w.language); h.After() {
				row.Keeps = append(row.Keeps, said)
			} else {
				row.Helps = append(row.Helps, said)
			}
		}
		s.Steps = append(s.Steps, row)
	}
}

// used asks, at the first step that uses a thing, how much of it was really used where
// something is worked out with that.
func (w *writer) used(d *design.Document, step int) []UsedRow {
	out := []UsedRow{}
	for _, id := range d.Steps[step].Uses {
		n, ok := d.Need(id)
		if !ok || slices.ContainsFunc(d.Steps[:step], func(s design.Step) bool { return slices.Contains(s.Uses, id) }) {
			continue
		}
		asked, ok := n.AskedUsed()
		if !ok {
			continue
		}
		row := UsedRow{Need: id, Unit: asked.Unit, Low: asked.Low}
		say := func(what string) string {
			return text.Render(text.M("sheet.used", "what", what, "amount", n.Amount), w.language)
		}
		row.Words = say(w.say(n.Name))
		if !n.PerCondition || len(d.Conditions) < 2 {
			out = append(out, row)
			continue
		}
		for _, c := range d.Conditions {
			row.Condition, row.Words = c.ID, say(w.say(n.Name)+", "+w.say(c.Name))
			out = append(out, row)
		}
	}
	return out
}

func ids(choices []ChoiceRow) (out []string) {
	for _, c := range choices {
		out = append(out, c.ID)
	}
	return out
}

func (w *writer) asked(s *Sheet, d *design.Document) {
	for _, r := range d.Readings {
		row := ReadingRow{
			ID:          r.ID,
			Name:        w.say(r.Name),
			Kind:        string(r.Sort()),
			Unit:        r.Unit,
			Choices:     []ChoiceRow{},
			Partly:      w.say(r.Partly),
			From:        w.say(r.From),
			To:          w.say(r.To),
			Guidance:    w.say(r.Guidance),
			Low:         r.Low,
			High:        r.High,
			Repeats:     r.Repeatability,
			Trials:      d.TrialsOf(&r),
			Deeper:      r.Deeper,
			Instruments: []InstrumentRow{},
		}
		seconds, _ := design.Seconds(r.NotBy)
		row.NotBy = int(seconds)
		if row.Of, _ = r.Total(); r.Sort() == design.CountKind {
			row.Unit = "" // whole things
		}
		for _, c := range d.Choices(&r) {
			row.Choices = append(row.Choices, ChoiceRow{c.ID, w.say(c.Word), senseOf(&r, c.ID), c.Picture})
		}
		if r.Sort() == design.PositionKind {
			row.Place = &PlaceRow{string(r.Placed().Picture), r.Placed().From}
		}
		if r.Pairs {
			row.Pairs = reading.Pairs(ids(row.Choices))
		}
		for _, in := range r.Instruments {
			row.Instruments = append(row.Instruments, InstrumentRow{in.ID, w.say(in.Name), in.Resolution, in.Analogue})
		}
		s.Readings = append(s.Readings, row)
	}
	for _, e := range d.Evidence {
		s.Evidence = append(s.Evidence, w.evidence(d, &e))
	}
	w.questions(s, d)
	for _, p := range Printables(d, w.language) {
		s.Printables = append(s.Printables, PrintableRow{p.Name, p.ByHand})
	}
	for _, m := range d.Mistakes {
		s.Mistakes = append(s.Mistakes, MistakeRow{w.say(m.See), w.say(m.Cause), w.say(m.Mend)})
	}
}

func (w *writer) evidence(d *design.Document, e *design.Evidence) EvidenceRow {
	row := EvidenceRow{
		ID: e.ID, Kind: string(e.Kind), Name: w.say(e.Name), MustShow: w.say(e.MustShow), Required: e.Required,
		Steps: append([]string{}, d.StepsOf(e.ID)...), Instead: []string{}, Places: []ChoiceRow{},
		Length: e.Length, Audience: w.say(e.Audience),
	}
	for _, k := range e.Instead {
		row.Instead = append(row.Instead, string(k))
	}
	for _, p := range e.Places {
		row.Places = append(row.Places, ChoiceRow{ID: p.ID, Word: w.say(p.Word)})
	}
	return row
}

// senseOf is the sense by which a word is said; "" for other choices.
func senseOf(r *design.Reading, id string) string {
	for sense, words := range r.Senses {
		if slices.ContainsFunc(words, func(c design.Choice) bool { return c.ID == id }) {
			return string(sense)
		}
	}
	return ""
}

func (w *writer) questions(s *Sheet, d *design.Document) {
	for _, q := range d.Questions {
		row := QuestionRow{
			ID:      q.ID,
			When:    q.When,
			Kind:    q.Kind,
			Text:    w.say(q.Text),
			Unit:    q.Unit,
			Least:   q.Least,
			Options: []OptionRow{},
		}
		for _, o := range d.OptionsOf(&q) {
			row.Options = append(row.Options, OptionRow{o.ID, w.say(o.Word)})
		}
		s.Questions = append(s.Questions, row)
	}
}

// startsOf is when each step starts, in seconds from the beginning.
func startsOf(r review.Review) map[string]int {
	starts := map[string]int{}
	for _, s := range r.Timeline.Steps {
		starts[s.Step] = int(s.Start.Seconds())
	}
	return starts
}
