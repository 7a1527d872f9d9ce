package sentence

import (
	"encoding/json"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
)

// Take carries what a step's text says in a language over into the design: what it says
// now and did not say before goes in, what it said before and does not say now goes out
// again, where it still stands as it was taken. What was set by hand stays. The design
// is changed in place; a step that is not there changes nothing.
func Take(d *design.Document, step, was, language string) {
	i, ok := d.Step(step)
	if !ok {
		return
	}
	t := &taker{d: d, at: i, lang: language}
	s := t.step()
	now := s.Text[language]
	before, after := t.meant(was), t.meant(now)
	t.carry(before, after)
	if kind := kindOf(before); s.Kind == "" || s.Kind == kind || was == "" && s.Kind == "do" {
		if kind := kindOf(after); kind != "" {
			t.step().Kind = kind
		}
	}
	if title := t.step().Title[language]; title == "" || title == titleOf(was, language) {
		t.step().Title = with(t.step().Title, language, titleOf(now, language))
	}
}

// carry takes out what is not said any more, and in what is said now.
func (t *taker) carry(before, after []Piece) {
	gone, come := differ(before, after)
	for k := len(gone) - 1; k >= 0; k-- {
		t.out(before, before[gone[k]], after)
	}
	for _, amounts := range []bool{false, true} { // an amount is of a thing that may come in with it
		for _, k := range come {
			if (after[k].Kind == Amount) == amounts {
				t.in(after, k)
			}
		}
	}
	t.waits(before, after)
}

// meant is what a text says, without what the teacher said to be only words.
func (t *taker) meant(words string) []Piece {
	return Meant(Of(t.d), words, t.lang, t.step().Plain)
}

// Meant is [Read] without the pieces whose words are among those that mean nothing more.
func Meant(w World, words, language string, plain []string) []Piece {
	all := Read(w, words, language)
	place := make([]int, len(all))
	var out []Piece
	for k, p := range all {
		place[k] = -1
		if !slices.Contains(plain, strings.ToLower(p.Words)) {
			place[k] = len(out)
			out = append(out, p)
		}
	}
	for k := range out {
		if out[k].Of >= 0 {
			out[k].Of = place[out[k].Of]
		}
	}
	return out
}

// key is what makes two pieces the same thing said.
func key(p Piece) string {
	name := p.ID
	if name == "" && (p.Kind == Thing || p.Kind == Vessel) {
		name = fold(p.Words)
	}
	return strings.Join([]string{string(p.Kind), name, p.Value, strings.Join(p.Values, " "), string(p.Sort), fold(p.Name)}, "|")
}

// differ lists the places of what is said before and not after, and the other way.
func differ(before, after []Piece) (gone, come []int) {
	left := map[string]int{}
	for _, p := range after {
		left[key(p)]++
	}
	for i, p := range before {
		if left[key(p)]--; left[key(p)] < 0 {
			gone = append(gone, i)
		}
	}
	left = map[string]int{}
	for _, p := range before {
		left[key(p)]++
	}
	for i, p := range after {
		if left[key(p)]--; left[key(p)] < 0 {
			come = append(come, i)
		}
	}
	return gone, come
}

type taker struct {
	d    *design.Document
	at   int
	lang string
}

func (t *taker) step() *design.Step { return &t.d.Steps[t.at] }

// in carries one piece over.
func (t *taker) in(all []Piece, k int) {
	p, s := all[k], t.step()
	switch p.Kind {
	case Act:
		if a := acts[p.ID]; a.Safety != "" && !slices.Contains(s.Actions, a.Safety) {
			s.Actions = append(slices.Clone(s.Actions), a.Safety)
		}
		s.Closed = s.Closed || acts[p.ID].Closes
	case Thing, Vessel:
		id := t.need(all, k)
		if !slices.Contains(s.Uses, id) {
			s.Uses = append(slices.Clone(s.Uses), id)
		}
		if p.Kind == Vessel && s.In == "" {
			s.In = id
		}
		s.Closed = s.Closed || p.Closed
	case Amount:
		t.amount(all, p)
	case Hands:
		if s.Duration == "" {
			s.Duration = p.Value
		}
	case Reading:
		t.reading(all, p)
	case Evidence:
		t.evidence(p)
	case Keep:
		s.Helps = append(slices.Clone(s.Helps), design.Help{Help: "keep", Thing: text.Localized{t.lang: strings.TrimSpace(p.Words)}})
	case Lane:
		t.lanes(all)
	}
}

// out takes one piece back, as far as the design still has it as it was taken.
func (t *taker) out(before []Piece, p Piece, after []Piece) {
	s := t.step()
	still := func(other func(Piece) bool) bool { return slices.ContainsFunc(after, other) }
	switch p.Kind {
	case Act:
		safety := acts[p.ID].Safety
		if !still(func(q Piece) bool { return q.Kind == Act && acts[q.ID].Safety == safety }) {
			s.Actions = without(s.Actions, safety)
		}
	case Thing, Vessel:
		id, ok := t.find(p)
		if !ok || still(func(q Piece) bool { other, ok := t.find(q); return ok && other == id }) {
			return
		}
		s.Uses = without(s.Uses, id)
		if s.In == id {
			s.In = ""
		}
		t.drop(before, p, id)
	case Amount:
		if s.Heat == p.Value {
			s.Heat = ""
		}
		if p.Of >= 0 {
			if id, ok := t.find(before[p.Of]); ok {
				if n, ok := t.d.Need(id); ok && n.Amount == p.Value {
					n.Amount, n.PerCondition = "", false
				}
			}
		}
	case Hands:
		if s.Duration == p.Value {
			s.Duration = ""
		}
	case Reading:
		t.unread(p)
	case Evidence:
		t.unshow(p)
	case Keep:
		s.Helps = slices.DeleteFunc(slices.Clone(s.Helps), func(h design.Help) bool {
			return h.Help == "keep" && h.Thing[t.lang] == strings.TrimSpace(p.Words)
		})
	case Lane:
		t.lanes(after)
	}
}

func without(list []string, item string) []string {
	out := slices.DeleteFunc(slices.Clone(list), func(x string) bool { return x == item })
	if len(out) == 0 {
		return nil
	}
	return out
}

func with(l text.Localized, language, words string) text.Localized {
	out := text.Localized{}
	for k, v := range l {
		out[k] = v
	}
	out[language] = words
	return out
}

// find is the need that a piece names.
func (t *taker) find(p Piece) (string, bool) {
	if p.Kind != Thing && p.Kind != Vessel {
		return "", false
	}
	if p.Need != "" {
		return p.Need, true
	}
	for _, n := range t.d.Needs {
		if p.ID != "" && n.Material == p.ID || fold(n.Name[t.lang]) == fold(t.unlaned(bare(p.Words, t.lang))) {
			return n.ID, true
		}
	}
	return "", false
}

// need is the id of the need that a piece names; one is made where there is none.
func (t *taker) need(all []Piece, k int) string {
	if id, ok := t.find(all[k]); ok {
		return id
	}
	n := t.made(all[k])
	t.d.Needs = append(slices.Clone(t.d.Needs), n)
	return n.ID
}

// made is the need that a piece makes: a thing of the larder with its job, or a name of
// which is not said yet what it is.
func (t *taker) made(p Piece) design.Need {
	n := design.Need{Name: text.Localized{}}
	taken := func(id string) bool { _, ok := t.d.Need(id); return ok }
	if m, ok := t.d.Larder().Material(p.ID); ok {
		for lang, name := range m.Name {
			n.Name[lang] = name
		}
		n.Be(m)
	}
	n.Name[t.lang] = t.unlaned(bare(p.Words, t.lang))
	n.ID = fresh(n.Name[t.lang], "thing", taken)
	return n
}

// unlaned is a name without the names of conditions in it: "cold water" is water in the
// cold lane.
func (t *taker) unlaned(name string) string {
	words := strings.Fields(name)
	for _, c := range t.d.Conditions {
		lane := fold(strings.ReplaceAll(c.Name[t.lang], "-", " "))
		words = slices.DeleteFunc(words, func(w string) bool { return fold(w) == lane })
	}
	if len(words) == 0 {
		return name
	}
	return strings.Join(words, " ")
}

// drop takes a need away that nothing uses any more and that still is as it was made.
func (t *taker) drop(before []Piece, p Piece, id string) {
	if slices.ContainsFunc(t.d.Steps, func(s design.Step) bool { return slices.Contains(s.Needs(), id) }) {
		return
	}
	n, ok := t.d.Need(id)
	if !ok {
		return
	}
	as := t.made(p)
	as.ID, as.Amount, as.PerCondition = n.ID, n.Amount, n.PerCondition && n.Amount != ""
	as.Name = n.Name
	said := slices.ContainsFunc(before, func(q Piece) bool { return q.Kind == Amount && q.Value == n.Amount })
	if reflect.DeepEqual(as, *n) && (n.Amount == "" || said) {
		t.d.Needs = slices.DeleteFunc(slices.Clone(t.d.Needs), func(x design.Need) bool { return x.ID == id })
	}
}

// amount gives a need its amount, or the step its warmth. A count says nothing that an
// amount with a unit could: it stands in the words.
func (t *taker) amount(all []Piece, p Piece) {
	q, ok := quantity.ParseOK(p.Value)
	switch {
	case !ok:
	case q.Unit.Dim == quantity.Temperature:
		if s := t.step(); s.Heat == "" {
			s.Heat = p.Value
		}
	case p.Of >= 0 && q.Unit.Symbol != quantity.One.Symbol && q.Unit.Dim != quantity.Length:
		id, ok := t.find(all[p.Of])
		if !ok {
			return
		}
		t.d.Needs = slices.Clone(t.d.Needs)
		if n, ok := t.d.Need(id); ok && n.Amount == "" {
			n.Amount = p.Value
			n.PerCondition = len(t.d.Conditions) > 1
		}
	}
}

// lanes says for which conditions a step is done: those that its text names. Where it
// names all, each is done by itself.
func (t *taker) lanes(all []Piece) {
	s := t.step()
	s.Conditions, s.Each = nil, false
	named := map[string]bool{}
	for _, p := range all {
		if p.Kind == Lane {
			named[p.ID] = true
		}
	}
	switch {
	case len(named) == 0:
	case len(named) == len(t.d.Conditions):
		s.Each = len(named) > 1
	default:
		for _, c := range t.d.Conditions {
			if named[c.ID] {
				s.Conditions = append(s.Conditions, c.ID)
			}
		}
	}
}

// kindOf is the kind of a step that says only this; "" where it does not tell.
func kindOf(pieces []Piece) design.StepKind {
	var does, prepares, clears, reads, shows, waits int
	for _, p := range pieces {
		switch p.Kind {
		case Act:
			does++
			switch acts[p.ID].Kind {
			case "prepare":
				prepares++
			case "clear-up":
				clears++
			}
		case Reading:
			reads++
		case Evidence:
			shows++
		case Wait:
			waits++
		}
	}
	switch {
	case reads > 0:
		return "measure"
	case does == 0 && shows > 0:
		return "photo"
	case does == 0 && waits > 0:
		return "wait"
	case does > 0 && clears == does:
		return "clear-up"
	case does > 0 && prepares == does:
		return "prepare"
	case does > 0:
		return "do"
	}
	return ""
}

// waits puts the waits of a text where the design has them: before the step that says
// them first, or before the step behind the one that ends with them. One in the middle
// is asked about (see [Ask]).
func (t *taker) waits(before, after []Piece) {
	i := t.at
	own, trail := leading(after), trailing(after)
	if i > 0 && own == "" {
		own = trailing(Read(Of(t.d), t.d.Steps[i-1].Text[t.lang], t.lang))
	}
	set(&t.d.Steps[i], leading(before), own)
	if i+1 < len(t.d.Steps) && leading(Read(Of(t.d), t.d.Steps[i+1].Text[t.lang], t.lang)) == "" {
		set(&t.d.Steps[i+1], trailing(before), trail)
	}
}

// set gives a step its wait, where it has none or still the one that was said before.
func set(s *design.Step, was, now string) {
	switch _, timed := quantity.ParseOK(now); {
	case was == now:
	case s.Wait == nil && timed:
		s.Wait = &design.Wait{For: now}
	case s.Wait != nil && s.Wait.For == was && was != "":
		if now == "" {
			s.Wait = nil
			return
		}
		w := *s.Wait
		w.For = now
		s.Wait = &w
	}
}

// Of a text, what is said by the wait in it.
func leading(pieces []Piece) string  { v, _ := waitIn(pieces, true); return v }
func trailing(pieces []Piece) string { v, _ := waitIn(pieces, false); return v }

// waitIn is the wait that comes first in a text, or last; "" for none. A wait after
// which something is done, and before it too, is neither.
func waitIn(pieces []Piece, first bool) (string, int) {
	for k, p := range pieces {
		if p.Kind != Wait {
			continue
		}
		before, behind := around(pieces, k)
		if first && (p.Leads || !before) || !first && before && !behind && !p.Leads {
			return p.Value, k
		}
	}
	return "", -1
}

// around reports whether something is done or read before a piece, and behind it.
func around(pieces []Piece, k int) (before, behind bool) {
	for n, p := range pieces {
		if p.Kind == Act || p.Kind == Reading || p.Kind == Evidence {
			before = before || n < k && p.Kind != Reading
			behind = behind || n > k
		}
	}
	return before, behind
}

// mostTitle is how many signs a title has that is made of a sentence.
const mostTitle = 60

// titleOf is a short name for a step: the first thing that its text says to do.
func titleOf(words, language string) string {
	lang := text.Of(language).Code
	v := vocabularies[lang]
	r := &reader{v: v, lang: lang, text: words, t: tokens(words)}
	from, end := 0, len(words)
	if p := r.verbAt(0); p != nil && p.role.what == "waits" { // "wait 10 minutes, then weigh": it weighs
		for i, t := range r.t {
			if next := i + 1; t.sign == ',' || t.sign == '.' || r.is("and", i) {
				for r.is("and", next) {
					next++
				}
				if next < len(r.t) && r.verbAt(next) != nil {
					from = r.t[next].from
					break
				}
			}
		}
	}
	for i, t := range r.t {
		if t.from < from {
			continue
		}
		if t.stops() || t.sign == ',' && v != nil && (r.verbAt(i+1) != nil || r.is("and", i+1)) {
			end = t.from
			break
		}
	}
	all := strings.Fields(words[from:end])
	if len(all) > 0 {
		first := []rune(all[0])
		all[0] = strings.ToUpper(string(first[:1])) + string(first[1:])
	}
	for n := len(all); n > 0; n-- {
		if title := strings.Join(all[:n], " "); len([]rune(title)) <= mostTitle {
			return title
		}
	}
	return ""
}

// bare is a name without what stands before it: "the three jars" names jars.
func bare(words, language string) string {
	v := vocabularies[text.Of(language).Code]
	list := strings.Fields(words)
	for v != nil && len(list) > 1 && v.sets["dets"][fold(list[0])] {
		list = list[1:]
	}
	return strings.Join(list, " ")
}

// fresh is an id for something by its name that is not taken yet.
func fresh(name, otherwise string, taken func(string) bool) string {
	var b strings.Builder
	for _, r := range strings.ReplaceAll(fold(name), "ñ", "n") {
		switch {
		case r >= 'a' && r <= 'z' || r >= '0' && r <= '9' && b.Len() > 0:
			b.WriteRune(r)
		case b.Len() > 0 && !strings.HasSuffix(b.String(), "-"):
			b.WriteByte('-')
		}
		if b.Len() >= 30 {
			break
		}
	}
	id := strings.Trim(b.String(), "-")
	if id == "" {
		id = otherwise
	}
	for n, base := 2, id; taken(id); n++ {
		id = base + "-" + strconv.Itoa(n)
	}
	return id
}

// tool is what a size is usually read with.
type tool struct {
	Unit       string         `json:"unit"`
	ID         string         `json:"id"`
	Resolution string         `json:"resolution"`
	Analogue   bool           `json:"analogue"`
	Name       text.Localized `json:"name"`
}

var (
	tools  = load[[]tool]("tools.json")
	scales = load[map[string][]design.Choice]("scales.json")
)

func load[T any](file string) T {
	var out T
	raw, err := files.ReadFile(file)
	if err == nil {
		err = json.Unmarshal(raw, &out)
	}
	if err != nil {
		panic(file + ": " + err.Error())
	}
	return out
}
