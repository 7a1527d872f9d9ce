package sentence

import (
	"encoding/json"
	"strconv"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// mostTitle is how many signs a title has that is made of a sentence.
const mostTitle = 60

// titleOf is a short name for a step: the first thing that its text says to do.
func titleOf(words, language string) string {
	lang := text.Of(language).Code
	v := vocabularies[lang]
	r := &reader{v: v, lang: lang, text: words, t: tokens(words)}
	from := r.firstDone()
	all := strings.Fields(words[from:r.doneEnd(from)])
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

// firstDone is where the first thing begins that is done: of "wait 10 minutes, then weigh"
// the weighing.
func (r *reader) firstDone() int {
	if p := r.verbAt(0); p == nil || p.role.what != "waits" {
		return 0
	}
	for i, t := range r.t {
		if t.sign != ',' && t.sign != '.' && !r.is("and", i) {
			continue
		}
		next := i + 1
		for r.is("and", next) {
			next++
		}
		if next < len(r.t) && r.verbAt(next) != nil {
			return r.t[next].from
		}
	}
	return 0
}

// doneEnd is where what is done ends that begins at a place of the text.
func (r *reader) doneEnd(from int) int {
	for i, t := range r.t {
		if t.from < from {
			continue
		}
		if t.stops() || t.sign == ',' && r.v != nil && (r.verbAt(i+1) != nil || r.is("and", i+1)) {
			return t.from
		}
	}
	return len(r.text)
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
