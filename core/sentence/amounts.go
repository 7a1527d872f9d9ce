package sentence

import (
	"strconv"
	"strings"
	"time"
	"unicode"
	"unicode/utf8"

	"patient-kitchen/core/design"
	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/quantity"
)

// single is a noun's one for its many, as far as the language's endings tell.
func single(w, lang string) string {
	for _, plain := range []string{w, strings.TrimSuffix(w, "s"), strings.TrimSuffix(w, "es")} {
		if plain != w && len(plain) > 2 {
			for _, form := range lexicon.Forms(lang, "n", plain) {
				if form == w {
					return plain
				}
			}
		}
	}
	return w
}

// numbers are a noun's forms, one and many.
func numbers(w, lang string) []string {
	out := []string{w}
	if one := single(w, lang); one != w {
		return append(out, one)
	}
	for _, form := range lexicon.Forms(lang, "n", w) {
		if form == w+"s" || form == w+"es" || strings.HasSuffix(form, "ies") || strings.HasSuffix(form, "ces") {
			out = append(out, form)
		}
	}
	return out
}

// sizes are the dimensions that amounts and times in a step have, with a unit of each.
var sizes = []quantity.Field{
	{Dim: quantity.Volume, Unit: "mL"},
	{Dim: quantity.Mass, Unit: "g"},
	{Dim: quantity.Length, Unit: "cm"},
	{Dim: quantity.Time, Unit: "min"},
	{Dim: quantity.Temperature, Unit: "°C"},
	{Dim: quantity.Count, Unit: "drop"},
	{Dim: quantity.Pure, Unit: "%"},
}

// mostWords is how many words a quantity has at most ("two and a half level teaspoons").
const mostWords = 6

// quantity reads a number with its unit at a place, as long as it goes.
func (r *reader) quantity(i int) (quantity.Typed, int) {
	if !r.opensNumber(i) || r.is("the", i) {
		return quantity.Typed{}, i
	}
	if known, ok := r.sizes[i]; ok {
		return known.q, known.next
	}
	q, next := r.measured(i)
	r.sizes[i] = sized{q, next}
	return q, next
}

// sized is a quantity with the place behind it.
type sized struct {
	q    quantity.Typed
	next int
}

// measured is the longest quantity that begins at a place where one can.
func (r *reader) measured(i int) (quantity.Typed, int) {
	for size := min(mostWords, len(r.t)-i); size > 0; size-- {
		if r.run(i, i+size) == nil || r.is("of", i+size-1) || r.is("and", i+size-1) || r.is("into", i+size-1) {
			continue
		}
		written := r.text[r.t[i].from:r.t[i+size-1].to]
		for _, f := range sizes {
			f.Language, f.System = r.lang, r.System
			if f.System == "" {
				f.System = quantity.Metric
			}
			q := quantity.ParseTyped(written, f)
			if q.Kind == quantity.Value && !q.UnitAssumed && q.Note == "" && q.Unit.Dim == f.Dim &&
				q.Unit.Symbol != quantity.One.Symbol {
				return q, i + size
			}
		}
	}
	return quantity.Typed{}, i
}

// number reads a number without a unit, in digits or words.
func (r *reader) number(i int) (string, int) {
	if !r.opensNumber(i) {
		return "", i
	}
	for size := min(3, len(r.t)-i); size > 0; size-- {
		if r.run(i, i+size) == nil {
			continue
		}
		f := quantity.Field{Dim: quantity.Pure, Unit: "1", Language: r.lang, System: r.System}
		q := quantity.ParseTyped(r.text[r.t[i].from:r.t[i+size-1].to], f)
		if q.Kind == quantity.Value && q.UnitAssumed && q.Note == "" && !r.is("dets", i) &&
			q.Value == float64(int(q.Value)) {
			return strconv.FormatFloat(q.Value, 'f', -1, 64), i + size
		}
	}
	return "", i
}

// opensNumber reports whether a number can begin at a place.
func (r *reader) opensNumber(i int) bool {
	if i >= len(r.t) || r.t[i].ends() {
		return false
	}
	first, _ := utf8.DecodeRuneInString(r.t[i].word)
	return unicode.IsNumber(first) || quantity.Opens(r.t[i].word, r.lang)
}

// shown writes a quantity as a design keeps it.
func shown(q quantity.Typed) string {
	symbol := q.Unit.Symbol
	return strings.TrimSpace(strconv.FormatFloat(q.Value, 'g', 10, 64) + " " + symbol)
}

// seconds is how long a quantity of time is.
func seconds(q quantity.Typed) time.Duration { return time.Duration(q.SI() * float64(time.Second)) }

// timeAt reports whether a time stands at a place.
func (r *reader) timeAt(i int) bool {
	q, next := r.quantity(i)
	return next > i && q.Unit.Dim == quantity.Time
}

// phraseWithTime gives the place behind a phrase of a list that has a time, or numbers
// that end in one, behind it.
func (r *reader) phraseWithTime(list string, i int) int {
	end := r.listed(list, i)
	if end == 0 {
		return 0
	}
	if values, _ := r.series(end); len(values) > 0 {
		return end
	}
	return 0
}

// series reads "1, 2, 4 and 8 minutes", or times of the day.
func (r *reader) series(i int) (values []string, next int) {
	var bare []string
	for k := i; k < len(r.t); {
		if w := r.t[k].word; clocked(w) {
			values, next = append(values, w), k+1
			k++
		} else if q, end := r.quantity(k); end > k && q.Unit.Dim == quantity.Time {
			for _, n := range bare {
				values = append(values, n+" "+q.Unit.Symbol)
			}
			bare, values, next = nil, append(values, shown(q)), end
			k = end
		} else if n, end := r.number(k); end > k && len(values) == 0 {
			bare = append(bare, n)
			k = end
		} else {
			return values, next
		}
		for r.joinsTimes(k, len(values)+len(bare) > 0) {
			k++
		}
		if k < len(r.t) && !r.opensNumber(k) {
			return values, next
		}
	}
	return values, next
}

// clocked reports whether a word is a time of the day, "07:30".
func clocked(w string) bool {
	return len(w) >= 4 && strings.Contains(w, ":") && w[0] >= '0' && w[0] <= '9'
}

// joinsTimes reports whether a word stands between two times of a series; further, behind
// the first of them.
func (r *reader) joinsTimes(k int, further bool) bool {
	return k < len(r.t) && (r.t[k].sign == ',' || r.is("and", k) ||
		further && r.listed("ats", k) == k+1 || r.is("into", k) || r.is("dets", k))
}

// everyAt gives the place behind a word for each of several times, with its time.
func (r *reader) everyAt(i int) int {
	if !r.is("everys", i) || i+1 >= len(r.t) || r.t[i+1].ends() {
		return 0
	}
	if r.timeAt(i + 1) {
		_, next := r.quantity(i + 1)
		return next
	}
	f := quantity.Field{Dim: quantity.Time, Unit: "min", Language: r.lang, System: r.System}
	if q := quantity.ParseTyped("1 "+r.text[r.t[i+1].from:r.t[i+1].to], f); q.Kind == quantity.Value &&
		!q.UnitAssumed && q.Note == "" {
		return i + 2
	}
	return 0
}

// times reads when something is looked at again: every so often, or at several times.
func (r *reader) times(i int) int {
	if end := r.everyAt(i); end > 0 {
		gap, _ := r.quantity(i + 1)
		if !r.timeAt(i + 1) {
			gap = quantity.ParseTyped("1 "+r.text[r.t[i+1].from:r.t[end-1].to],
				quantity.Field{Dim: quantity.Time, Unit: "min", Language: r.lang, System: r.System})
		}
		whole := r.waited()
		if r.is("durings", end) && r.timeAt(end+1) {
			q, next := r.quantity(end + 1)
			whole, end = seconds(q), next
		}
		r.add(Piece{Kind: Times, Value: shown(gap), Values: spread(gap, whole)}, i, end)
		return end
	}
	for _, list := range []string{"afters", "ats"} {
		if start := r.listed(list, i); start > 0 {
			if values, next := r.series(start); len(values) > 1 || len(values) == 1 && strings.Contains(values[0],
				":") {
				r.add(Piece{Kind: Times, Values: values}, i, next)
				return next
			}
		}
	}
	return 0
}

// waited is how long the last wait of the text is.
func (r *reader) waited() time.Duration {
	for k := len(r.out) - 1; k >= 0; k-- {
		if r.out[k].Kind == Wait {
			s, _ := design.Seconds(r.out[k].Value)
			return time.Duration(s * float64(time.Second))
		}
	}
	return 0
}

// mostTimes is how many looks are spread out at most.
const mostTimes = 60

// spread lists the times from one gap on to the end of the whole; none where that is not
// said, or where there would be too many.
func spread(gap quantity.Typed, whole time.Duration) []string {
	step := seconds(gap)
	if step <= 0 || whole < step || whole/step > mostTimes {
		return nil
	}
	var out []string
	for k := 1; time.Duration(k)*step <= whole; k++ {
		out = append(out, strconv.FormatFloat(gap.Value*float64(k), 'g', 10, 64)+" "+gap.Unit.Symbol)
	}
	return out
}

// limit reads how long something takes at most.
func (r *reader) limit(i int) int {
	start := r.listed("mosts", i)
	if start == 0 || !r.timeAt(start) {
		return 0
	}
	q, next := r.quantity(start)
	r.add(Piece{Kind: Limit, Value: shown(q)}, i, next)
	return next
}

// after reads the time to let pass before what follows, or what was just said.
func (r *reader) after(i int) int {
	start := r.listed("afters", i)
	if start == 0 || !r.timeAt(start) || r.not {
		return 0
	}
	q, next := r.quantity(start)
	r.add(Piece{Kind: Wait, Value: shown(q), Values: window(q), Leads: true, At: r.code(start)}, i, next)
	return next
}

// restsFrom is the time from which something that goes on is a wait, and not something
// that keeps hands busy.
const restsFrom = 10 * time.Minute

// during reads how long something goes on.
func (r *reader) during(i int) int {
	k := i
	if r.is("durings", i) {
		k++
	}
	if !r.timeAt(k) || k == i && r.acted == nil && r.waits == 0 {
		return 0
	}
	q, next := r.quantity(k)
	if k == i && r.acted != nil && r.acted.ID == "set" {
		return 0
	}
	r.lasts(q, i, k, next)
	return next
}

// lasts puts a time down that something goes on.
func (r *reader) lasts(q quantity.Typed, i, value, next int) {
	at := r.code(value)
	switch long := seconds(q); {
	case r.not:
	case r.waits > 0 && !r.busy && (i == r.waits || long >= 20*time.Second):
		r.add(Piece{Kind: Wait, Value: shown(q), Values: window(q), At: at}, r.waits-1, next)
	case r.acted != nil && (r.acted.Rests || long >= restsFrom && !r.acted.Busy):
		r.add(Piece{Kind: Wait, Value: shown(q), Values: window(q), At: at}, i, next)
	case !r.reads || r.is("durings", i):
		r.add(Piece{Kind: Hands, Value: shown(q), At: at}, i, next)
	}
}

// given reads the time right behind a verb of waiting; a number alone is asked about.
func (r *reader) given(i int) int {
	if n, next := r.number(i); next > i && !r.timeAt(i) && (next == len(r.t) || r.t[next].ends()) {
		r.add(Piece{Kind: Wait, Value: n, At: r.code(i)}, r.waits-1, next)
		return next
	}
	return 0
}

// night reads words that are a time by themselves.
func (r *reader) night(i int) int {
	value, end := r.nightAt(i)
	if end > 0 {
		r.add(Piece{Kind: Wait, Value: value}, i, end)
	}
	return end
}

// nightAt is the time that words at a place are, and the place behind them; 0 where they
// are none.
func (r *reader) nightAt(i int) (string, int) {
	if r.not || r.waits == 0 && r.acted == nil {
		return "", 0
	}
	value, last := "", 0
	for words, v := range r.v.Nights {
		if end := r.here(i, strings.Fields(words)); end > last {
			value, last = v, end
		}
	}
	return value, last
}

// measure reads an amount that stands by itself.
func (r *reader) measure(i int) int {
	q, next := r.quantity(i)
	if next == i || r.not {
		return 0
	}
	if q.Unit.Dim == quantity.Time && !(r.acted != nil && r.acted.ID == "set") && r.acted != nil {
		r.add(Piece{Kind: Hands, Value: shown(q)}, i, next)
		return next
	}
	if q.Unit.Dim == quantity.Time && r.acted == nil || r.reads {
		return next
	}
	at := r.add(Piece{Kind: Amount, Value: shown(q), Of: r.lastThing()}, i, next)
	if r.is("of", next) && r.ofSomething(q, next) {
		if n := r.noun(next+1, true); n.ok {
			r.out[at].Of = r.put(n, Thing)
			return n.next
		}
	}
	return next
}

// lastThing is the thing named last, for "salt, one teaspoon at a time".
func (r *reader) lastThing() int {
	for k := len(r.out) - 1; k >= 0; k-- {
		if r.out[k].Kind == Thing {
			return k
		}
	}
	return -1
}

// count passes over a number that belongs to nothing.
func (r *reader) count(i int) int {
	_, next := r.number(i)
	return next
}
