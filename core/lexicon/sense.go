package lexicon

import (
	"slices"
	"strings"
)

// negated is the level of a hit after the cues around it.
func negated(h Hit, words []token, lang string) Level {
	if lang == "" {
		return h.Level
	}
	if deniedAfter(h, words, lang) || pictured(h, words, lang) {
		return Silent
	}
	level := h.Level
	silence := func(cueEnd int) bool {
		if lifted(words, cueEnd, h, lang) {
			level = min(level, Ask)
			return false
		}
		return true
	}
	if thingDenied(h, words, lang, silence) || actDenied(h, words, lang, silence) {
		return Silent
	}
	return level
}

// deniedAfter reports whether what follows a hit says that it is not meant.
func deniedAfter(h Hit, words []token, lang string) bool {
	for _, cue := range cuesOf(lang).After {
		for at := h.last + 1; at <= h.last+5 && at < len(words) && !words[at].boundary(); at++ {
			if follows(words, at, cue) {
				return true
			}
		}
	}
	return false
}

// pictured reports whether a thing is only there in a picture.
func pictured(h Hit, words []token, lang string) bool {
	if !h.Concept.Thing || h.Level != Ask && !living[h.Concept.ID] {
		return false
	}
	for _, cue := range cuesOf(lang).Picture {
		for at := max(0, h.first-4); at < h.first; at++ {
			if follows(words, at, cue) && !breaks(words, at, h.first, lang) {
				return true
			}
		}
	}
	return slices.ContainsFunc(cuesOf(lang).Pictured, func(cue string) bool { return follows(words, h.last+1, cue) })
}

// thingDenied reports whether a thing is denied before it: "no bleach"; silence says
// whether a denial that ends at a word holds.
func thingDenied(h Hit, words []token, lang string, silence func(int) bool) bool {
	reach := cuesOf(lang).Reach
	for _, cue := range cuesOf(lang).Thing {
		n := len(strings.Fields(cue))
		for at := h.first - n; at >= 0; at-- {
			if !follows(words, at, cue) || breaks(words, at+n, h.anchor, lang) {
				continue
			}
			far := count(words[at+n : h.anchor])
			near := far < reach || far < reach+3 && joined(words, at+n, h.anchor, lang)
			if near && silence(at+n) {
				return true
			}
		}
	}
	return false
}

// actDenied reports whether an act is denied before it: "do not light".
func actDenied(h Hit, words []token, lang string, silence func(int) bool) bool {
	for _, cue := range cuesOf(lang).Act {
		for at := h.first - 1; at >= 0; at-- {
			if !follows(words, at, cue) || breaks(words, at+1, h.anchor, lang) {
				continue
			}
			between := words[at+1 : h.anchor]
			reaches := count(between) < 6 || joined(words, at+1, h.anchor, lang)
			if h.Concept.Thing {
				reaches = count(between) < 6 && (!denies(between, lang) || verbThing(between, lang))
			}
			if reaches && silence(at+1) {
				return true
			}
		}
	}
	return false
}

// living are the concepts of living things: one that is drawn is not met.
var living = map[string]bool{"stinger": true, "small-animal": true, "wild-plant": true, "pet": true}

// denies reports whether words between a cue and a thing hold something that is
// done with it, so that the cue is about the act and the thing is there.
func denies(between []token, lang string) bool {
	for _, t := range between {
		if t.word != "" && !functionWords[t.word] && !cuesOf(lang).Small[t.word] {
			return true
		}
	}
	return false
}

func verbThing(between []token, lang string) bool {
	return slices.ContainsFunc(between, func(t token) bool { return cuesOf(lang).Using[t.word] })
}

func follows(words []token, at int, phrase string) bool {
	for k, w := range strings.Fields(phrase) {
		if at+k >= len(words) || words[at+k].word != w {
			return false
		}
	}
	return true
}

func count(words []token) int {
	n := 0
	for _, t := range words {
		if !t.boundary() {
			n++
		}
	}
	return n
}

// breaks reports whether a cue does not reach over the words between it and
// what it would silence: a conjunction begins something new; a comma does
// unless a list goes on with or.
func breaks(words []token, from, to int, lang string) bool {
	list := joined(words, from, min(to+5, len(words)), lang)
	for _, t := range words[from:to] {
		if cuesOf(lang).And[t.word] || t.boundary() && !list {
			return true
		}
	}
	return false
}

// joined reports whether an or stands among words.
func joined(words []token, from, to int, lang string) bool {
	return slices.ContainsFunc(words[from:to], func(t token) bool { return cuesOf(lang).Or[t.word] })
}

// lifted reports whether what a cue would silence is done after all.
func lifted(words []token, cueEnd int, h Hit, lang string) bool {
	for _, l := range cuesOf(lang).LiftsCue {
		if follows(words, cueEnd, l) {
			return true
		}
	}
	for at := h.last + 1; at < len(words) && at <= h.last+8 && !h.Concept.Thing; at++ {
		if words[at].boundary() || cuesOf(lang).And[words[at].word] {
			break
		}
		for _, l := range cuesOf(lang).LiftsAct {
			if follows(words, at, l) {
				return true
			}
		}
	}
	return false
}

// silentWho reports whether a sentence speaks of the teacher alone, of others
// far away, or of what to do if something goes wrong.
func silentWho(words []token, lang string) bool {
	cues := cuesOf(lang)
	for _, p := range cues.Teachers {
		if follows(words, 0, p) {
			return !speaksToStudents(words[len(strings.Fields(p)):], lang)
		}
	}
	for at := range words {
		if followsAny(words, at, cues.Faraway) {
			return true
		}
	}
	if len(words) == 0 || !cues.If[words[0].word] {
		return false
	}
	for at := 1; at < min(len(words), 9) && !words[at].boundary(); at++ {
		if followsAny(words, at, cues.Mishaps) {
			return true
		}
	}
	return false
}

// speaksToStudents reports whether students are among who acts, not only among who watches.
func speaksToStudents(words []token, lang string) bool {
	cues := cuesOf(lang)
	for i, t := range words {
		if cues.Students[t.word] && (i+1 >= len(words) || !cues.Watching[words[i+1].word]) {
			return true
		}
	}
	return false
}

func followsAny(words []token, at int, phrases []string) bool {
	return slices.ContainsFunc(phrases, func(p string) bool { return follows(words, at, p) })
}

// later reports whether a sentence speaks of the school, later.
func later(words []token, lang string) bool {
	for _, p := range cuesOf(lang).Later {
		for at := range words {
			if follows(words, at, p) {
				return true
			}
		}
	}
	return false
}
