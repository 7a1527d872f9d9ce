package compare

import (
	"cmp"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/larder"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Readings is a class as it is exported: with the design all that the
// comparison needs, so that anyone can work it out again.
type Readings struct {
	Made          string           `json:"made" doc:"When it was exported"`
	DesignVersion string           `json:"design_version" doc:"sha256 of the issued document"`
	Measures      string           `json:"measures" doc:"us, metric, uk or au: what a cup is in this class"`
	Homes         []ReadingsHome   `json:"homes"`
	Readings      []Row            `json:"readings"`
	Answers       []AnswerRow      `json:"answers"`
	Observations  []ObservationRow `json:"observations,omitempty"`
}

// ReadingsHome is a home of the class, in whose language its texts are read.
type ReadingsHome struct {
	Home     string            `json:"home"`
	Language string            `json:"language"`
	Uses     map[string]string `json:"uses,omitempty" doc:"By need: what it used instead of the design's own thing"`
	Used     []UsedRow         `json:"used,omitempty" doc:"How much it really used of what is worked with"`
	Own      map[string]string `json:"own,omitempty" doc:"By symbol: its own value of a constant"`
	Class    larder.Class      `json:"class,omitempty" enum:"pools,scales,separate,unsuitable" doc:"How it is compared with the others"`
}

// UsedRow is how much a home really used of a need, in one condition or in all.
type UsedRow struct {
	Need      string `json:"need"`
	Condition string `json:"condition,omitempty"`
	Typed     string `json:"typed"`
}

// Worked fills in what a home's values are worked out with, beside its readings: its own
// constants, and what it really used.
func (h *ReadingsHome) Worked(d *design.Document, book *notebook.Book) {
	for i, c := range book.Design.Constants {
		if i < len(d.Constants) && c.Value != d.Constants[i].Value {
			if h.Own == nil {
				h.Own = map[string]string{}
			}
			h.Own[c.Symbol] = c.Value
		}
	}
	for p, typed := range book.Amounts {
		h.Used = append(h.Used, UsedRow{p.Need, p.Condition, typed})
	}
	for i := range book.Design.Needs { // what its own plan wants, where it did not say what it used
		n := &book.Design.Needs[i]
		was, ok := d.Need(n.ID)
		_, said := book.Amounts[notebook.Portion{Need: n.ID}]
		if n.Symbol != "" && ok && was.Amount != n.Amount && !said {
			h.Used = append(h.Used, UsedRow{n.ID, "", n.Amount})
		}
	}
	slices.SortFunc(h.Used, func(a, b UsedRow) int {
		return cmp.Or(strings.Compare(a.Need, b.Need), strings.Compare(a.Condition, b.Condition))
	})
}

// of is a design with a home's own constants.
func (h *ReadingsHome) of(d *design.Document) *design.Document {
	if len(h.Own) == 0 {
		return d
	}
	own := *d
	own.Constants = slices.Clone(d.Constants)
	for i := range own.Constants {
		if value, ok := h.Own[own.Constants[i].Symbol]; ok {
			own.Constants[i].Value = value
		}
	}
	return &own
}

// Row is one reading that was entered, or a slot of which a home said why it
// was not read.
type Row struct {
	Home       string          `json:"home" doc:"Nickname; blank for shared readings"`
	Provenance string          `json:"provenance"`
	Reading    string          `json:"reading"`
	Condition  string          `json:"condition"`
	Object     string          `json:"object,omitempty"`
	Thing      string          `json:"thing,omitempty" doc:"What the home calls the object it chose"`
	Stage      string          `json:"stage,omitempty"`
	Time       string          `json:"time"`
	Trial      int             `json:"trial"`
	Kind       string          `json:"kind,omitempty" doc:"Of the reading, such as quantity or ordinal"`
	Value      *float64        `json:"value"`
	U          *float64        `json:"u"`
	Unit       string          `json:"unit"`
	Low        *float64        `json:"low" doc:"The lower end of a range or bound; open where it has none"`
	High       *float64        `json:"high"`
	Bound      string          `json:"bound,omitempty" doc:"below or above, where only a bound is known"`
	Typed      string          `json:"typed"`
	Given      *notebook.Given `json:"given,omitempty" doc:"What was given for a reading that is no quantity"`
	Instrument string          `json:"instrument" doc:"Id of the tool"`
	Step       string          `json:"tool_step,omitempty" doc:"Smallest step of the tool, such as 1 mm"`
	Fate       string          `json:"fate" doc:"counts, or why it does not: unread, missing, not-read, corrected, superseded, spoiled, set-aside, adult-not-said, not-counted, shared"`
	Counts     bool            `json:"counts,omitempty" doc:"It goes into the class's results"`
	Reason     string          `json:"reason"`
	MeasuredAt string          `json:"measured_at"`
	ReceivedAt string          `json:"received_at"`
	Late       bool            `json:"late"`
}

// AnswerRow is an answer to a question.
type AnswerRow struct {
	Home     string   `json:"home"`
	Question string   `json:"question"`
	Choice   []string `json:"choice,omitempty"`
	Text     string   `json:"text,omitempty"`
	At       string   `json:"at"`
}

// ObservationRow is what a home saw, in its own words.
type ObservationRow struct {
	Home     string `json:"home"`
	Step     string `json:"step,omitempty"`
	Evidence string `json:"evidence,omitempty"`
	Text     string `json:"text"`
	At       string `json:"at"`

	Given *notebook.Given `json:"given,omitempty" doc:"A drawing's strokes, or the stages of a flow chart"`
}

// Books opens the notebooks of exported readings, home by home in their order.
// It fails on a time or slot that cannot be, naming the row.
func (r *Readings) Books(d *design.Document) ([]Home, error) {
	s := shelf{d: d, of: map[string]ReadingsHome{}, entries: map[string][]notebook.Entry{},
		held: map[string]map[design.Slot]notebook.State{}}
	for _, h := range r.Homes {
		if err := s.home(h); err != nil {
			return nil, err
		}
	}
	for i := range r.Readings {
		if err := s.reading(i, &r.Readings[i]); err != nil {
			return nil, err
		}
	}
	for i := range r.Answers {
		if err := s.answer(i, &r.Answers[i]); err != nil {
			return nil, err
		}
	}
	var homes []Home
	for _, name := range s.names {
		home := s.of[name]
		w := notebook.Writer{Language: home.Language, System: quantity.System(r.Measures)}
		book := notebook.Open(home.of(d), s.entries[name], w, nil)
		for slot, state := range s.held[name] {
			if c := book.Cell(slot); c != nil {
				c.State = state
			}
		}
		homes = append(homes, Home{name, book, home.Uses, home.Class})
	}
	return homes, nil
}

// shelf gathers what each home wrote, by its name.
type shelf struct {
	d       *design.Document
	names   []string // in the order in which they come
	of      map[string]ReadingsHome
	entries map[string][]notebook.Entry
	held    map[string]map[design.Slot]notebook.State // kept and not counted
}

func (s *shelf) known(home string) {
	if _, ok := s.of[home]; !ok {
		s.of[home] = ReadingsHome{Language: text.Languages[0]}
		s.names = append(s.names, home)
	}
}

func (s *shelf) put(home string, e notebook.Entry) { s.entries[home] = append(s.entries[home], e) }

// home takes in what a home is and the amounts that it used.
func (s *shelf) home(h ReadingsHome) error {
	s.known(h.Home)
	s.of[h.Home] = h
	for i, u := range h.Used {
		e := notebook.Entry{ID: fmt.Sprintf("u%06d", i), Kind: notebook.Used, Refers: u.Need, Typed: u.Typed,
			Slot: design.Slot{Condition: u.Condition}}
		if p := notebook.Fits(s.d, &e); p != nil {
			return fmt.Errorf("homes: %s used[%d]: the %s %s", h.Home, i, p.Field, text.Render(p.Rule, text.Languages[0]))
		}
		s.put(h.Home, e)
	}
	return nil
}

// reading takes in a reading of a home's own, with what became of it.
func (s *shelf) reading(i int, row *Row) error {
	if row.Home == "" || row.Provenance == string(notebook.Shared) || row.Provenance == string(notebook.Practice) {
		return nil
	}
	s.known(row.Home)
	at, err := moment(row.MeasuredAt)
	if err != nil {
		return fmt.Errorf("readings[%d]: measured_at has to be a time such as 2027-02-02T10:40:00Z", i)
	}
	e := row.entry(fmt.Sprintf("r%06d", i), at)
	if p := notebook.Fits(s.d, &e); p != nil {
		return fmt.Errorf("readings[%d]: the %s %s, such as %s", i, p.Field, text.Render(p.Rule, text.Languages[0]),
			p.Example)
	}
	after := notebook.Entry{ID: e.ID + "x", Refers: e.ID, Reason: row.Reason, Received: at}
	switch row.Fate {
	case "", "counts", "unread", "missing", "not-read", "corrected", "superseded":
	case "spoiled":
		after.Kind = notebook.Spoiled
		s.put(row.Home, after)
	case "set-aside":
		after.Kind = notebook.SetAside
		s.put(row.Home, after)
	default: // kept and not counted, for its step
		if s.held[row.Home] == nil {
			s.held[row.Home] = map[design.Slot]notebook.State{}
		}
		s.held[row.Home][e.Slot] = notebook.AdultNotSaid
	}
	s.put(row.Home, e)
	if row.Object != "" && row.Thing != "" {
		s.put(row.Home, notebook.Entry{ID: e.ID + "n", Kind: notebook.Named, Refers: row.Object, Text: row.Thing,
			Received: at})
	}
	return nil
}

// entry is a row as its home wrote it: its words, or its number where it has none.
func (row *Row) entry(id string, at time.Time) notebook.Entry {
	e := notebook.Entry{
		ID:         id,
		Kind:       notebook.Reading,
		Provenance: notebook.Own,
		Received:   at,
		Typed:      row.Typed,
		Given:      row.Given,
		Instrument: row.Instrument,
		Slot: design.Slot{
			Reading:   row.Reading,
			Condition: row.Condition,
			Object:    row.Object,
			Stage:     row.Stage,
			Time:      row.Time,
			Trial:     max(1, row.Trial),
		},
	}
	if row.Provenance == string(notebook.Desk) {
		e.Provenance = notebook.Desk
	}
	if row.Fate == "not-read" {
		e.Kind, e.Reason = notebook.NotRead, row.Reason
	} else if e.Typed == "" && e.Given == nil && row.Value != nil {
		e.Typed = strconv.FormatFloat(*row.Value, 'g', -1, 64) + " " + row.Unit
	}
	return e
}

// answer takes in an answer to a question.
func (s *shelf) answer(i int, row *AnswerRow) error {
	s.known(row.Home)
	at, err := moment(row.At)
	if err != nil {
		return fmt.Errorf("answers[%d]: at has to be a time such as 2027-02-02T10:40:00Z", i)
	}
	s.put(row.Home, notebook.Entry{
		ID:         fmt.Sprintf("a%06d", i),
		Kind:       notebook.Answer,
		Provenance: notebook.Own,
		Received:   at,
		Question:   row.Question,
		Choice:     row.Choice,
		Text:       row.Text,
	})
	return nil
}

// moment reads a time; one that is not known is the beginning.
func moment(s string) (time.Time, error) {
	if s == "" {
		return time.Unix(0, 0).UTC(), nil
	}
	return time.Parse(time.RFC3339, s)
}
