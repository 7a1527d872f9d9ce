package safety

import (
	"fmt"
	"hash/fnv"
	"slices"
	"strings"
	"sync"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/text"
)

// Said is what a sentence seems to say and nothing in the design ticks or
// lists: a question to the teacher, judged as the worst until it is answered.
type Said struct {
	Concept  string
	Key      string // of the answer: it changes with the words, the needs of the step and the way of working
	Sentence string
	Words    string // found in it
	Language string
	Path     string // of the text in the document, as a JSON pointer
	Sure     bool   // almost: ticking is offered
	Least    int    // how many letters a reason has at least to be taken; -1 where "something else" is not taken
	Question text.Message
	leads    []string
	number   int // of the sentence in its text, from 0
}

// families are concepts of which one question is put in a sentence, the
// strictest, whichever language says it; its answer settles the rest there.
var families = map[string]string{}

func init() {
	for name, members := range map[string]string{
		"heat":    "hob heat-any temperature oven boil hot-water warm-water steam melt wax syrup oil-hot",
		"flame":   "flame-lit candle match lighter burner fire-open burn smoke",
		"blade":   "knife cut-any scissors craft-knife kitchen-tool sharp-edge",
		"closing": "close cork shake-closed store-closed", "mouth": "taste lick suck straw-blow straw-share",
		"outside": "road go-out open-water night-weather", "people": "faces home-inside body-data",
	} {
		for _, m := range strings.Fields(members) {
			families[m] = name
		}
	}
}

// line is one text of a design that is read, and how closely.
type line struct {
	step  int // −1 for one of the whole design
	path  string
	words text.Localized
	full  bool // else one level less
}

// readTexts lists the texts of a design in the order in which they are read.
func readTexts(d *design.Document) []line {
	var t readingOrder
	t.ofTheWhole(d)
	t.ofNeeds(d)
	t.ofSteps(d)
	t.ofReadings(d)
	t.ofEvidence(d)
	t.ofQuestions(d)
	for i, m := range d.Mistakes {
		t.add(-1, true, fmt.Sprintf("/mistakes/%d/mend", i), m.Mend)
		t.add(-1, false, fmt.Sprintf("/mistakes/%d/see", i), m.See)
		t.add(-1, false, fmt.Sprintf("/mistakes/%d/cause", i), m.Cause)
	}
	return t
}

// readingOrder is what a design says, in the order in which it is read.
type readingOrder []line

// add adds words; step is −1 where they are of no step, full where they may say what is done.
func (t *readingOrder) add(step int, full bool, path string, words text.Localized) {
	if len(words) > 0 {
		*t = append(*t, line{step, path, words, full})
	}
}

func (t *readingOrder) ofTheWhole(d *design.Document) {
	t.add(-1, false, "/title", d.Title)
	t.add(-1, false, "/question", d.Question)
	t.add(-1, false, "/background", d.Background)
	t.add(-1, true, "/place", d.Place)
	for i, c := range d.Task.Calculate {
		for k, h := range c.Hints {
			t.add(-1, true, fmt.Sprintf("/task/calculate/%d/hints/%d", i, k), h)
		}
	}
	for i, k := range d.Task.KeepTo {
		t.add(-1, true, fmt.Sprintf("/task/keep_to/%d", i), k)
	}
	t.add(-1, false, "/task/watching", d.Task.Watching)
	for i, c := range d.Conditions {
		t.add(-1, true, fmt.Sprintf("/conditions/%d/name", i), c.Name)
		t.add(-1, true, fmt.Sprintf("/conditions/%d/description", i), c.Description)
	}
	for i, st := range d.Stages {
		t.add(-1, false, fmt.Sprintf("/stages/%d/word", i), st.Word)
	}
	for i, o := range d.Objects { // what must never be chosen is a prohibition, and no doing
		t.add(-1, true, fmt.Sprintf("/objects/%d/what", i), o.What)
	}
	for i, r := range d.Crew {
		t.add(-1, true, fmt.Sprintf("/crew/%d/does", i), r.Does)
	}
	for i, s := range d.Sections {
		t.add(-1, true, fmt.Sprintf("/sections/%d/keep", i), s.Keep)
		t.add(-1, true, fmt.Sprintf("/sections/%d/throw_away", i), s.ThrowAway)
		t.add(-1, true, fmt.Sprintf("/sections/%d/needed_again", i), s.NeededAgain)
	}
	for i, v := range d.Kept {
		t.add(-1, false, fmt.Sprintf("/kept/%d/name", i), v.Name)
	}
}

func (t *readingOrder) ofNeeds(d *design.Document) {
	for i := range d.Needs {
		n := &d.Needs[i]
		for k, in := range n.Instead {
			t.add(-1, true, fmt.Sprintf("/needs/%d/instead/%d", i, k), in)
		}
		t.add(-1, true, fmt.Sprintf("/needs/%d/note", i), n.Note)
		for k, c := range n.Copies {
			t.add(-1, true, fmt.Sprintf("/needs/%d/copies/%d/prepared", i, k), c.Prepared)
		}
	}
}

func (t *readingOrder) ofSteps(d *design.Document) {
	for i := range d.Steps {
		s := &d.Steps[i]
		at := fmt.Sprintf("/steps/%d/", i)
		t.add(i, true, at+"title", s.Title)
		t.add(i, true, at+"text", s.Text)
		t.add(i, true, at+"meanwhile", s.Meanwhile)
		t.add(i, true, at+"adult_note", s.AdultNote)
		t.add(i, false, at+"see", s.See)
		if s.Picture != nil {
			t.add(i, false, at+"picture/alt", s.Picture.Alt)
		}
		for _, w := range s.HelpWords() {
			t.add(i, true, at+w.Path[1:], w.Text)
		}
	}
}

func (t *readingOrder) ofReadings(d *design.Document) {
	for i, r := range d.Readings {
		t.add(-1, false, fmt.Sprintf("/readings/%d/guidance", i), r.Guidance)
		for _, w := range r.Words() {
			t.add(-1, false, fmt.Sprintf("/readings/%d%s", i, w.Path), w.Text)
		}
	}
}

func (t *readingOrder) ofEvidence(d *design.Document) {
	for i, e := range d.Evidence {
		t.add(-1, false, fmt.Sprintf("/evidence/%d/must_show", i), e.MustShow)
		for k, p := range e.Places {
			t.add(-1, false, fmt.Sprintf("/evidence/%d/places/%d/word", i, k), p.Word)
		}
	}
}

func (t *readingOrder) ofQuestions(d *design.Document) {
	for i, q := range d.Questions {
		t.add(-1, false, fmt.Sprintf("/questions/%d/text", i), q.Text)
		for k, o := range q.Options {
			t.add(-1, false, fmt.Sprintf("/questions/%d/options/%d/word", i, k), o.Word)
		}
	}
}

// heard keeps what sentences say: a design is judged at every key, and its
// sentences mostly stay.
var heard = struct {
	sync.Mutex
	of map[string][]lexicon.Hit
}{of: map[string][]lexicon.Hit{}}

const mostHeard = 20000

func listen(sentence, lang string) []lexicon.Hit {
	key := lang + " " + sentence
	heard.Lock()
	hits, ok := heard.of[key]
	heard.Unlock()
	if ok {
		return hits
	}
	hits = lexicon.Read(sentence, lang, larder.Standard().IsName)
	heard.Lock()
	if len(heard.of) >= mostHeard {
		clear(heard.of)
	}
	heard.of[key] = hits
	heard.Unlock()
	return hits
}

// open is a question before it is judged at an age.
type open struct {
	Said
	step    string // id; "" for the whole design
	concept *lexicon.Concept
}

// questions reads a design's texts and lists what they say that nothing ticks
// or lists, in the order of the texts. A thing is asked about once a design, an
// action once a step, and an answer that still holds settles it.
func (j *judge) questions() []open {
	var out []open
	things, acts := map[string]bool{}, map[string]bool{}
	for _, l := range readTexts(j.d) {
		for _, lang := range text.Languages {
			for number, sentence := range lexicon.Sentences(l.words[lang]) {
				for _, h := range listen(sentence, lang) {
					level := h.Level
					if imperative := h.From == 0 && !h.Concept.Thing && len(strings.Fields(sentence)) > 2; !l.full &&
						!imperative {
						level--
					}
					step := ""
					if l.step >= 0 {
						step = j.d.Steps[l.step].ID
					}
					c := h.Concept
					act := step + " " + c.ID
					if level <= lexicon.Silent || c.Thing && things[c.ID] || acts[act] ||
						j.settled(c, l.step, h.Words, lang) {
						continue
					}
					things[c.ID], acts[act] = true, true
					out = append(
						out,
						open{
							Said{
								Concept:  c.ID,
								Key:      j.key(c.ID, l.step, lexicon.Folded(sentence, lang)),
								Sentence: sentence,
								Words:    h.Words,
								Language: lang,
								Path:     l.path,
								Sure:     level == lexicon.Tick,
								Question: text.Message{ID: "safety.thing", Args: text.Args{"thing": c.Asks}},
								leads:    c.Leads,
								number:   number,
							},
							step,
							c,
						},
					)
				}
			}
		}
	}
	return out
}

// key stands for a question: the words of its sentence, the needs of its step
// and the way of working.
func (j *judge) key(concept string, step int, folded string) string {
	h := fnv.New64a()
	fmt.Fprintf(h, "%s|%s|%t", concept, folded, j.d.Way == design.WatchShared)
	if step >= 0 {
		for _, u := range j.d.Steps[step].Uses {
			if n, ok := j.d.Need(u); ok {
				fmt.Fprintf(h, "|%s %s", u, n.Material)
			}
		}
	}
	return fmt.Sprintf("%016x", h.Sum64())
}

// said judges the questions that are not answered: each as the worst of what
// its concept leads to, one a sentence and family. The same sentence in another
// language is the one with its number: texts are translated in their order.
func (j *judge) said() {
	if j.asked == nil {
		asked := j.questions()
		j.asked = &asked
	}
	type place struct {
		step, path, family string
		number             int
	}
	strictest := map[place]int{}
	var found []Hazard
	var at []int
	for _, o := range *j.asked {
		f, order, ok := j.worst(&o)
		if !ok {
			continue
		}
		s := o.Said
		s.Least = leastSaid(f, s.Sure)
		f.Said = &s
		if family, ok := families[s.Concept]; ok {
			p := place{o.step, s.Path, family, s.number}
			if k, had := strictest[p]; had {
				if f.Verdict.Worse(found[k].Verdict) {
					found[k], at[k] = f, order
				}
				continue
			}
			strictest[p] = len(found)
		}
		found, at = append(found, f), append(at, order)
	}
	for k := range found {
		if s := found[k].Said; !j.answered(s, s.Least) {
			j.out, j.at = append(j.out, found[k]), append(j.at, at[k])
		}
	}
}

// worst is the gravest of what a concept can be, as a finding in the words of
// the rule that says so. It reports false where the answer would change
// nothing.
func (j *judge) worst(o *open) (Hazard, int, bool) {
	var best hit
	found := false
	for _, lead := range o.leads {
		if slices.Contains(closing, lead) {
			if f, at, ok := j.closing(o.step, lead); ok {
				return f, at, true
			}
			continue
		}
		for _, h := range j.led(o.step, lead) {
			if h.rule == nil || h.Quiet {
				continue
			}
			if !found || graver(h.clause, best.clause, j.band) {
				best, found = h, true
			}
		}
	}
	if !found || best.Verdict.at[j.band] == Care && !o.Sure && len(best.Gear) == 0 {
		return Hazard{}, 0, false
	}
	return j.asFinding(best, o.step), best.at, true
}

// led are the clauses that a lead of a concept leads to: those of a thing by itself
// ("+thing"), of a rule or one of its cases ("=rule/case"), of an action.
func (j *judge) led(step, lead string) []hit {
	if thing, ok := strings.CutPrefix(lead, "+"); ok {
		if h, ok := j.byItself(thing); ok {
			return []hit{h}
		}
		return nil
	}
	rule, ok := strings.CutPrefix(lead, "=")
	if !ok {
		return []hit{j.ticked(step, lead)}
	}
	id, name, one := strings.Cut(rule, "/")
	r := byID[id]
	if r == nil {
		return nil
	}
	var hits []hit
	for i := range r.Clauses {
		if !one || r.Clauses[i].Name == name {
			hits = append(hits, hit{r, &r.Clauses[i], slices.Index(RuleIDs(), r.ID)})
		}
	}
	return hits
}
