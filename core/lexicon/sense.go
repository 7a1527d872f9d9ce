package lexicon

import (
	"slices"
	"strings"
)

// Negation and who acts, by language. A cue is one or more words in a row.
var (
	thingCues = map[string][]string{
		"en": {"no", "without", "neither", "nor", "none", "nothing", "avoid", "instead of", "rather than", "away from", "far from", "clear of", "out of reach of"},
		"es": {"sin", "ni", "ningun", "ninguna", "nada", "evita", "eviten", "evite", "en lugar de", "en vez de", "lejos de", "fuera del alcance de"},
	}
	// What is only drawn, made of paper or a toy is not there.
	pictureCues = map[string][]string{
		"en": {"draw", "drawing of", "picture of", "pictures of", "sketch", "paper", "cardboard", "toy", "plastic"},
		"es": {"dibuja", "dibujen", "dibuje", "dibujar", "dibujo de", "dibujos de", "imagen de"},
	}
	pictured = map[string][]string{
		"en": {"drawing", "made of paper", "made of card"},
		"es": {"de papel", "de carton", "de juguete", "de plastico", "dibujado", "dibujada"},
	}
	actCues = map[string][]string{
		"en": {"not", "never", "nobody"},
		"es": {"no", "nunca", "jamas", "nadie"},
	}
	afterCues = map[string][]string{
		"en": {"is not needed", "are not needed", "not needed", "is not used", "not allowed", "not necessary", "unnecessary", "forbidden", "left out"},
		"es": {"no hace falta", "no hacen falta", "no se necesita", "no se necesitan", "no se usa", "no se usan", "no es necesario", "no es necesaria", "prohibido", "prohibida", "sobra"},
	}
	// What follows a cue so that the thing is done after all.
	liftsAfterCue = map[string][]string{
		"en": {"only", "just", "forget", "hesitate", "stop", "more than", "less than", "later than", "be afraid", "but", "one but", "without"},
		"es": {"solo", "olvides", "olviden", "olvide", "dejes de", "dejen de", "pares de", "mas de", "menos de", "mas que", "antes de", "te olvides"},
	}
	// What follows the act so that it is done after all.
	liftsAfterAct = map[string][]string{
		"en": {"until", "unless", "except", "before you", "before the", "before it", "without", "alone", "unattended"},
		"es": {"hasta", "a menos", "salvo", "sin", "solo", "sola", "solos", "solas", "a solas", "antes de que"},
	}
	// Verbs of having and using: a thing that they deny is not there.
	using = map[string]map[string]bool{
		"en": set("use uses used using need needs needed take bring buy have has light put add require"),
		"es": set("usar usa uses use usen utilizar utiliza utilices emplear necesitar necesita necesitas hacer hace falta llevar lleva lleves traer trae traigas comprar compra compres encender enciende enciendas prender prende prendas echar echa eches poner pon pongas"),
	}
)

// negated is the level of a hit after the cues around it.
func negated(h Hit, words []token, lang string) Level {
	if lang == "" {
		return h.Level
	}
	for _, cue := range afterCues[lang] {
		for at := h.last + 1; at <= h.last+5 && at < len(words) && !words[at].boundary(); at++ {
			if follows(words, at, cue) {
				return Silent
			}
		}
	}
	if h.Concept.Thing && h.Level == Ask || h.Concept.Thing && living[h.Concept.ID] {
		for _, cue := range pictureCues[lang] {
			for at := max(0, h.first-4); at < h.first; at++ {
				if follows(words, at, cue) && !breaks(words, at, h.first, lang) {
					return Silent
				}
			}
		}
		for _, cue := range pictured[lang] {
			if follows(words, h.last+1, cue) {
				return Silent
			}
		}
	}
	reach := map[string]int{"en": 4, "es": 5}[lang]
	level := h.Level
	silence := func(cueEnd int) bool {
		if lifted(words, cueEnd, h, lang) {
			level = min(level, Ask)
			return false
		}
		return true
	}
	for _, cue := range thingCues[lang] {
		n := len(strings.Fields(cue))
		for at := h.first - n; at >= 0; at-- {
			if !follows(words, at, cue) || breaks(words, at+n, h.anchor, lang) {
				continue
			}
			if far := count(words[at+n : h.anchor]); (far < reach || far < reach+3 && joined(words, at+n, h.anchor, lang)) && silence(at+n) {
				return Silent
			}
		}
	}
	for _, cue := range actCues[lang] {
		for at := h.first - 1; at >= 0; at-- {
			if !follows(words, at, cue) {
				continue
			}
			between := words[at+1 : h.anchor]
			if breaks(words, at+1, h.anchor, lang) {
				continue
			}
			if h.Concept.Thing {
				if count(between) >= 6 || denies(between, lang) && !verbThing(between, lang) || !silence(at+1) {
					continue
				}
				return Silent
			}
			if (count(between) < 6 || joined(words, at+1, h.anchor, lang)) && silence(at+1) {
				return Silent
			}
		}
	}
	return level
}

// living are the concepts of living things: one that is drawn is not met.
var living = map[string]bool{"stinger": true, "small-animal": true, "wild-plant": true, "pet": true}

// denies reports whether words between a cue and a thing hold something that is
// done with it, so that the cue is about the act and the thing is there.
func denies(between []token, lang string) bool {
	for _, t := range between {
		if t.word != "" && !functionWords[t.word] && !small[lang][t.word] {
			return true
		}
	}
	return false
}

func verbThing(between []token, lang string) bool {
	return slices.ContainsFunc(between, func(t token) bool { return using[lang][t.word] })
}

var small = map[string]map[string]bool{"en": set("a an the any your this that use"), "es": set("un una el la los las ningun ninguna tu su esta este se")}

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

var (
	orWords  = map[string]map[string]bool{"en": set("or nor"), "es": set("o ni u")}
	andWords = map[string]map[string]bool{"en": set("and but then so"), "es": set("y e pero luego despues")}
)

// breaks reports whether a cue does not reach over the words between it and
// what it would silence: a conjunction begins something new; a comma does
// unless a list goes on with or.
func breaks(words []token, from, to int, lang string) bool {
	list := joined(words, from, min(to+5, len(words)), lang)
	for _, t := range words[from:to] {
		if andWords[lang][t.word] || t.boundary() && !list {
			return true
		}
	}
	return false
}

// joined reports whether an or stands among words.
func joined(words []token, from, to int, lang string) bool {
	return slices.ContainsFunc(words[from:to], func(t token) bool { return orWords[lang][t.word] })
}

// lifted reports whether what a cue would silence is done after all.
func lifted(words []token, cueEnd int, h Hit, lang string) bool {
	for _, l := range liftsAfterCue[lang] {
		if follows(words, cueEnd, l) {
			return true
		}
	}
	for at := h.last + 1; at < len(words) && at <= h.last+8 && !h.Concept.Thing; at++ {
		if words[at].boundary() || andWords[lang][words[at].word] {
			break
		}
		for _, l := range liftsAfterAct[lang] {
			if follows(words, at, l) {
				return true
			}
		}
	}
	return false
}

var (
	teachers = map[string][]string{
		"en": {"your teacher", "the teacher", "i", "ms", "mr", "mrs", "in the video", "in the clip", "watch the teacher", "watch your teacher", "your teachers"},
		"es": {"tu profe", "la maestra", "el maestro", "el profe", "la profe", "yo", "en el video", "mira como la maestra", "mira como el profe", "la profesora", "el profesor", "su profe"},
	}
	students = map[string]map[string]bool{"en": set("you ustedes"), "es": set("ustedes tu hija hijo ti")}
	watching = map[string]map[string]bool{"en": set("watch see look note draw count guess"), "es": set("mira miras miran ver ve ves ven observa observan dibuja dibujan cuenta cuentan anota anotan adivina adivinan")}
	faraway  = map[string][]string{
		"en": {"scientists", "in a factory", "in factories", "long ago", "astronauts", "volcanoes on the map", "firefighters", "bakers"},
		"es": {"los cientificos", "las cientificas", "en la fabrica", "en las fabricas", "hace siglos", "hace mucho", "los astronautas", "los bomberos"},
	}
	mishaps = map[string][]string{
		"en": {"breaks", "burns", "spills", "smells", "gets in", "stings", "catches", "leaks", "falls", "melts"},
		"es": {"se rompe", "se quema", "se derrama", "huele", "entra en", "cae en", "pica", "arde", "salpica", "se cae"},
	}
)

// silentWho reports whether a sentence speaks of the teacher alone, of others
// far away, or of what to do if something goes wrong.
func silentWho(words []token, lang string) bool {
	for _, p := range teachers[lang] {
		if follows(words, 0, p) {
			n := len(strings.Fields(p))
			you := false
			for i, t := range words[n:] {
				if students[lang][t.word] {
					next := n + i + 1
					you = you || next >= len(words) || !watching[lang][words[next].word]
				}
			}
			return !you
		}
	}
	for _, p := range faraway[lang] {
		for at := range words {
			if follows(words, at, p) {
				return true
			}
		}
	}
	if len(words) > 0 && (words[0].word == "if" || words[0].word == "si") {
		for _, p := range mishaps[lang] {
			for at := 1; at < min(len(words), 9); at++ {
				if words[at].boundary() {
					break
				}
				if follows(words, at, p) {
					return true
				}
			}
		}
	}
	return false
}

// later reports whether a sentence speaks of the school, later.
func later(words []token, lang string) bool {
	for _, p := range map[string][]string{"en": {"later at school", "next week in class", "back at school", "later in class"}, "es": {"despues en la escuela", "luego en la escuela", "la proxima semana en clase", "mas tarde en clase"}}[lang] {
		for at := range words {
			if follows(words, at, p) {
				return true
			}
		}
	}
	return false
}
