package sentence

import (
	"bytes"
	"cmp"
	"embed"
	"encoding/json"
	"slices"
	"strings"

	"patient-kitchen/core/lexicon"
	"patient-kitchen/core/text"
)

//go:embed words/*.json acts.json tools.json scales.json nouns.json slips.json pegs.json
var files embed.FS

// act is something done, in any language.
type act struct {
	ID     string   `json:"id"`
	Safety string   `json:"safety"` // the action of the safety rules that it is; "" for none
	Kind   string   `json:"kind"`   // of the step that does only this
	Needs  []string `json:"needs"`  // things of the larder that nobody names and everybody uses
	About  bool     `json:"about"`  // its object is what is filled or covered
	Apart  bool     `json:"apart"`  // what it is done over or onto is not filled
	Rests  bool     `json:"rests"`  // it goes on by itself: the time said of it is a wait
	Busy   bool     `json:"busy"`   // it keeps hands busy, however long
	Closes bool     `json:"closes"` // it closes a vessel
	Asks   bool     `json:"asks"`   // stuff without an amount is asked about
}

var acts = func() map[string]*act {
	raw, err := files.ReadFile("acts.json")
	if err != nil {
		panic(err)
	}
	var list []*act
	if err := json.Unmarshal(raw, &list); err != nil {
		panic(err)
	}
	out := map[string]*act{}
	for _, a := range list {
		out[a.ID] = a
	}
	return out
}()

// words is the file of one language. A list is words or phrases with commas between;
// the first word of a verb's phrase is its plain form, ".." in one leaves up to four
// words out.
type words struct {
	Acts        map[string]string `json:"acts"`     // by act
	Uses        string            `json:"uses"`     // verbs whose objects are things, and that are no acts
	Waits       string            `json:"waits"`    // verbs of waiting
	Runs        string            `json:"runs"`     // what goes on for so long without being a wait
	Readings    map[string]string `json:"readings"` // verbs, by the kind of reading
	Plain       string            `json:"plain"`    // verbs of quantities that need no word of what is measured
	Weighs      string            `json:"weighs"`   // verbs that with an amount are an act
	InOrder     string            `json:"in_order"`
	NumberOf    string            `json:"number_of"`
	Sizes       map[string]string `json:"sizes"`        // words that ask for a size, with its unit
	Nouns       map[string]string `json:"nouns"`        // what is measured, with its unit
	OfVerb      map[string]string `json:"of_verb"`      // units that a verb alone says
	AmountsLeft string            `json:"amounts_left"` // words that ask how much is left
	Evidence    map[string]string `json:"evidence"`     // verbs, by the kind of evidence
	Keeps       string            `json:"keeps"`
	Who         map[string]string `json:"who"`
	Into        string            `json:"into"`
	Onto        string            `json:"onto"`
	With        string            `json:"with"`
	Over        string            `json:"over"`
	Against     string            `json:"against"`
	Halves      string            `json:"halves"`
	Of          string            `json:"of"`
	Ends        string            `json:"ends"` // words at which a name ends
	And         string            `json:"and"`
	Dets        string            `json:"dets"`
	Adjectives  string            `json:"adjectives"`
	Before      string            `json:"before"` // words after which a verb can stand
	Lets        string            `json:"lets"`
	Subjects    string            `json:"subjects"` // those whose doing is told, as in "your helper holds"
	Nots        string            `json:"nots"`
	Pronouns    string            `json:"pronouns"`
	Particles   string            `json:"particles"`
	Vessels     string            `json:"vessels"`
	NoThings    string            `json:"no_things"` // nouns that nobody has to get
	Holders     string            `json:"holders"`   // nouns before "of" that say how much or where of something
	CountedNot  string            `json:"counted_not"`
	The         string            `json:"the"`
	Usual       map[string]string `json:"usual"`     // names of several things, with the one that is mostly meant
	NounsToo    string            `json:"nouns_too"` // verbs that are nouns where nothing follows
	Stuffs      string            `json:"stuffs"`    // what holds things within it, as water does
	Hows        string            `json:"hows"`
	Throughs    string            `json:"throughs"`
	Untreated   string            `json:"untreated"` // words of the condition in which nothing is done
	Paces       string            `json:"paces"`     // words that say how fast or how often
	Afters      string            `json:"afters"`
	Durings     string            `json:"durings"`
	Everys      string            `json:"everys"`
	Mosts       string            `json:"mosts"`
	Untils      string            `json:"untils"`
	Ats         string            `json:"ats"`
	Nights      map[string]string `json:"nights"` // words that are a time
	Asks        string            `json:"asks"`   // words with which a question for yes or no begins
	Which       string            `json:"which"`
	Warmths     map[string]string `json:"warmths"` // words of warmth, with temperatures that they may mean
	Closed      string            `json:"closed"`
	HeadLast    bool              `json:"head_last"`     // of a name the last word says what it is; else the first
	OneForm     bool              `json:"one_form"`      // verbs that order something to be done have their plain form
	Told        string            `json:"told"`          // endings of verbs that tell of something done
	AdverbEnd   string            `json:"adverb_ending"` // of words that say how
	// words with which a question is not for yes or no; "" where Asks says which is
	NoAsk string `json:"no_ask"`
	// by the ending of a noun's one: its article, one and many with a blank between; "" for the rest
	Articles map[string]string `json:"articles"`
	Spoken   map[string]string `json:"spoken"` // by act: the verb that a composed sentence begins with
}

// first says which role is tried before which where one phrase has several.
var first = map[string]int{"evidence": 3, "reading": 2, "keep": 1}

// role is what a phrase is in a sentence.
type role struct {
	what string // act, uses, waits, runs, reading, evidence, keep
	id   string // of the act, the kind of reading or evidence
}

// phrase is words in a row, of which the first can take its forms.
type phrase struct {
	rest  []string
	role  role
	plain string // the first word in its plain form
	base  bool   // in the form that orders somebody to do it
}

// vocabulary is a language's words as they are looked up.
type vocabulary struct {
	words
	verbs map[string][]phrase // by a form of the first word, the longest first
	sets  map[string]map[string]bool
	lists map[string][][]string

	endings []string // of verbs that tell of something done
}

var vocabularies = func() map[string]*vocabulary {
	out := map[string]*vocabulary{}
	for _, lang := range text.Languages {
		raw, err := files.ReadFile("words/" + lang + ".json")
		if err != nil {
			continue // sentences of this language are kept as they are
		}
		v := &vocabulary{verbs: map[string][]phrase{}, sets: map[string]map[string]bool{},
			lists: map[string][][]string{}}
		d := json.NewDecoder(bytes.NewReader(raw))
		d.DisallowUnknownFields()
		if err := d.Decode(&v.words); err != nil {
			panic("words/" + lang + ".json: " + err.Error())
		}
		v.index(lang)
		out[lang] = v
	}
	return out
}()

func items(list string) []string {
	var out []string
	for _, item := range strings.Split(list, ",") {
		if item = fold(strings.TrimSpace(item)); item != "" {
			out = append(out, item)
		}
	}
	return out
}

func (v *vocabulary) index(lang string) {
	v.endings = items(v.Told)
	for id, list := range v.Acts {
		v.addVerbs(lang, role{"act", id}, list)
	}
	for kind, list := range v.Readings {
		v.addVerbs(lang, role{"reading", kind}, list)
	}
	for kind, list := range v.Evidence {
		v.addVerbs(lang, role{"evidence", kind}, list)
	}
	v.addVerbs(lang, role{what: "uses"}, v.Uses)
	v.addVerbs(lang, role{what: "waits"}, v.Waits)
	v.addVerbs(lang, role{what: "runs"}, v.Runs)
	v.addVerbs(lang, role{what: "keep"}, v.Keeps)
	for _, list := range v.verbs {
		slices.SortStableFunc(list, sooner)
	}
	for name, list := range map[string]string{
		"into": v.Into, "onto": v.Onto, "with": v.With, "over": v.Over, "against": v.Against, "of": v.Of,
		"ends": v.Ends, "and": v.And,
		"dets":       v.Dets,
		"adjectives": v.Adjectives, "before": v.Before, "subjects": v.Subjects, "nots": v.Nots, "pronouns": v.Pronouns,
		"particles": v.Particles, "vessels": v.Vessels, "no-things": v.NoThings, "holders": v.Holders, "lets": v.Lets,
		"counted-not": v.CountedNot, "everys": v.Everys, "durings": v.Durings, "asks": v.Asks, "which": v.Which,
		"plain":  v.Plain,
		"weighs": v.Weighs, "no-ask": v.NoAsk, "the": v.The, "nouns-too": v.NounsToo, "stuffs": v.Stuffs,
		"paces": v.Paces, "untreated": v.Untreated,
	} {
		v.sets[name] = map[string]bool{}
		for _, w := range items(list) {
			v.sets[name][w] = true
		}
	}
	for name, list := range map[string]string{
		"in-order": v.InOrder, "number-of": v.NumberOf, "amounts-left": v.AmountsLeft, "afters": v.Afters,
		"mosts":  v.Mosts,
		"untils": v.Untils, "hows": v.Hows, "throughs": v.Throughs, "halves": v.Halves, "adult": v.Who["adult"],
		"helper": v.Who["helper"],
		"ats":    v.Ats, "closed": v.Closed,
	} {
		for _, w := range items(list) {
			v.lists[name] = append(v.lists[name], strings.Fields(w))
		}
		slices.SortStableFunc(v.lists[name], func(a, b []string) int { return len(b) - len(a) })
	}
}

// addVerbs adds the verbs of a list, in all their forms, in a role.
func (v *vocabulary) addVerbs(lang string, r role, list string) {
	for _, item := range items(list) {
		w := strings.Fields(item)
		forms := lexicon.Forms(lang, "v", w[0])
		if one, fixed := strings.CutPrefix(w[0], "="); fixed { // a word that takes no forms
			forms, w[0] = []string{one}, one
		}
		for i, form := range forms {
			if base := i == 0 || !v.OneForm; !v.told(form) {
				v.verbs[form] = append(v.verbs[form], phrase{w[1:], r, w[0], base})
			}
		}
	}
}

// sooner orders what a verb can be, by what is tried first: the longest words, then
// evidence and readings, which say more than acts.
func sooner(a, b phrase) int {
	return cmp.Or(
		len(b.rest)-len(a.rest),
		first[b.role.what]-first[a.role.what],
		len(b.plain)-len(a.plain),
		strings.Compare(a.role.id, b.role.id),
	)
}

// told reports whether a form tells of something done rather than says to do it.
func (v *vocabulary) told(form string) bool {
	return slices.ContainsFunc(v.endings, func(e string) bool {
		return len(form) > len(e)+2 && strings.HasSuffix(form, e)
	})
}

// noun is a word in the form in which the list of what is measured has it.
func (v *vocabulary) noun(w, lang string) string {
	if _, ok := v.Nouns[w]; ok {
		return w
	}
	return single(w, lang)
}

// measured reports whether a word is something that has a size, such as a height.
func (v *vocabulary) measured(w, lang string) bool {
	_, ok := v.Nouns[v.noun(w, lang)]
	return ok
}
