package lexicon

import (
	"regexp"
	"slices"
	"strings"
)

// grammar is how words of a language take their forms; a language's cues name it.
type grammar struct {
	forms map[string]func(plain string) []string // by kind: v, n, a
	apart func(word string) []string             // a short form as its words; nil for others
}

var grammars = map[string]grammar{
	"": {nil, whole},
	"english": {
		map[string]func(string) []string{
			"v": englishVerb,
			"n": englishNoun,
			"a": func(w string) []string { return []string{w} },
		},
		englishApart,
	},
	"spanish": {map[string]func(string) []string{"v": spanishVerb, "n": spanishNoun, "a": spanishAdjective}, whole},
}

func whole(string) []string { return nil }

func englishApart(w string) []string {
	switch {
	case w == "cannot" || w == "can't":
		return []string{"can", "not"}
	case w == "won't":
		return []string{"will", "not"}
	case strings.HasSuffix(w, "n't"):
		return []string{strings.TrimSuffix(w, "n't"), "not"}
	case strings.HasSuffix(w, "'s"):
		return []string{strings.TrimSuffix(w, "'s")}
	}
	return nil
}

// irregular are the forms of English verbs and nouns that do not follow the
// rule, by the plain form.
var irregular = func() map[string][]string {
	out := map[string][]string{}
	for _, forms := range strings.FieldsFunc(irregularForms, func(r rune) bool { return r == '|' || r == '\n' }) {
		words := strings.Fields(forms)
		out[words[0]] = words
	}
	return out
}()

// irregularForms has the plain form first, one that changes in nothing alone.
const irregularForms = `light lit lighted | burn burnt | freeze froze frozen | drink drank drunk
eat ate eaten | bite bit bitten
blow blew blown | throw threw thrown | fly flew flown | shoot shot | hold held | break broke broken | hang hung
stick stuck | strike struck | keep kept | leave left | run ran | lean leant | spit spat | swim swam swum
swing swung | catch caught | feed fed | stand stood | give gave given | take took taken | sew sewn | fling flung
dig dug | smell smelt | melt molten | saw sawn | find found | get got | make made | go went gone | grind ground
tie tying | knife knives | leaf leaves | battery batteries | berry berries | mouse mice | build built
sleep slept | breathe breathing | put | cut | set | let | hit | burst`

// endings puts each of the endings behind a word.
func endings(w, list string) []string {
	out := strings.Fields(list)
	for i := range out {
		out[i] = w + out[i]
	}
	return out
}

func vowel(b byte) bool { return strings.IndexByte("aeiou", b) >= 0 }

// englishVerb lists the forms of a verb from its plain form.
func englishVerb(w string) []string {
	out := append([]string{w}, irregular[w]...)
	n := len(w)
	if n < 2 {
		return out
	}
	last, before := w[n-1], w[n-2]
	switch {
	case strings.HasSuffix(w, "ie"):
		out = append(out, w+"s", w+"d", w[:n-2]+"ying")
	case last == 'e':
		out = append(out, w+"s", w+"d", w[:n-1]+"ing")
	case last == 'y' && !vowel(before):
		out = append(out, w[:n-1]+"ies", w[:n-1]+"ied", w+"ing")
	case hissing.MatchString(w):
		out = append(out, endings(w, "es ed ing")...)
	default:
		out = append(out, w+"s", w+"ed", w+"ing")
	}
	if n >= 3 && !vowel(w[n-3]) && vowel(before) && !vowel(last) && !strings.ContainsRune("wxy", rune(last)) {
		out = append(out, w+string(last)+"ed", w+string(last)+"ing")
	}
	return out
}

// hissing are the endings that take -es.
var hissing = regexp.MustCompile(`(s|x|z|ch|sh|o)$`)

func englishNoun(w string) []string {
	out := append([]string{w}, irregular[w]...)
	n := len(w)
	switch {
	case n > 1 && w[n-1] == 'y' && !vowel(w[n-2]):
		return append(out, w[:n-1]+"ies")
	case strings.HasSuffix(w, "s") || strings.HasSuffix(w, "x") || strings.HasSuffix(w, "ch") ||
		strings.HasSuffix(w, "sh") || w[n-1] == 'o':
		return append(out, endings(w, "es s")...)
	}
	return append(out, w+"s")
}

func spanishNoun(w string) []string {
	out := append([]string{w}, endings(w, "s es")...)
	if stem, ok := strings.CutSuffix(w, "z"); ok {
		out = append(out, stem+"ces")
	}
	if n := len(w); n > 2 && (w[n-1] == 'o' || w[n-1] == 'a') {
		s := w[:n-1]
		if c, ok := strings.CutSuffix(s, "c"); ok {
			s = c + "qu"
		}
		for _, e := range []string{"ito", "ita", "itos", "itas"} {
			out = append(out, s+e)
		}
	}
	return out
}

func spanishAdjective(w string) []string {
	n := len(w)
	if n > 1 && (w[n-1] == 'o' || w[n-1] == 'a') {
		s := w[:n-1]
		return []string{s + "o", s + "a", s + "os", s + "as"}
	}
	return append([]string{w}, endings(w, "s es")...)
}

// strong are the stems of Spanish verbs where the stress falls on them.
var strong = map[string]string{}

// own are forms that follow no rule, added to the rest.
var ownForms = map[string][]string{
	"poner": {
		"pon", "ponga", "pongan", "pongas", "pongamos", "puesto", "puesta", "puestos", "puestas", "puso",
		"pusieron", "pondra", "pondran",
	},
	"hacer": {
		"haz", "haga", "hagan", "hagas", "hagamos", "hecho", "hecha", "hechos", "hechas", "hizo", "hicieron",
		"hara", "haran",
	},
	"salir":      {"sal", "salga", "salgan", "salgas", "saldra"},
	"tener":      {"ten", "tenga", "tengan", "tengas", "tiene", "tienen", "tienes", "tuvo"},
	"sostener":   {"sosten", "sostenga", "sostengan", "sostengas", "sostiene", "sostienen", "sostienes"},
	"mantener":   {"manten", "mantenga", "mantengan", "mantengas", "mantiene", "mantienen"},
	"contener":   {"contiene", "contienen", "contenga"},
	"retener":    {"reten", "retenga", "retengan", "retengas", "retiene", "retienen"},
	"abrir":      {"abierto", "abierta", "abiertos", "abiertas"},
	"cubrir":     {"cubierto", "cubierta", "cubiertos", "cubiertas"},
	"romper":     {"roto", "rota", "rotos", "rotas"},
	"freir":      {"frito", "frita", "fritos", "fritas", "frie", "frien", "fries", "fria", "frian", "friendo"},
	"sofreir":    {"sofrie", "sofrien", "sofria", "sofrian", "sofriendo"},
	"sonreir":    {"sonrie", "sonrien", "sonria", "sonrian"},
	"ver":        {"ve", "ven", "vea", "vean", "veas", "visto", "vista", "viendo", "vio", "vieron"},
	"dar":        {"da", "den", "des", "dio"},
	"decir":      {"di", "diga", "digan", "digas", "digamos"},
	"caer":       {"caiga", "caigan", "cayo", "cayendo"},
	"oler":       {"huele", "huelen", "hueles", "huela", "huelan", "huelas"},
	"volver":     {"vuelto"},
	"coger":      {"coja", "cojan", "cojas", "cojamos"},
	"recoger":    {"recoja", "recojan", "recojas"},
	"sumergir":   {"sumerja", "sumerjan", "sumerjas"},
	"introducir": {"introduzca", "introduzcan", "introdujo"},
	"producir":   {"produzca", "produzcan", "produjo"},
	"cocer":      {"cuece", "cuecen", "cueces", "cueza", "cuezan", "cuezas", "cocido"},
	"servir":     {"sirve", "sirven", "sirva", "sirvan", "sirviendo"},
	"medir":      {"mide", "miden", "mides", "mida", "midan", "midas", "midiendo"},
	"teñir":      {"tiñe", "tiñen", "tiñes", "tiña", "tiñan", "tiñendo"},
	"hervir":     {"hierve", "hierven", "hierves", "hierva", "hiervan", "hiervas", "hirviendo", "hirvio", "hirviente"},
	"derretir":   {"derrite", "derriten", "derrites", "derrita", "derritan", "derritas", "derritiendo"},
	"pudrir":     {"podrido", "podrida"},
}

func init() {
	for _, pair := range strings.Fields("encender:enciend cerrar:cierr calentar:calient recalentar:recalient " +
		"precalentar:precalient quebrar:quiebr colgar:cuelg soltar:suelt probar:prueb morder:muerd volar:vuel " +
		"mostrar:muestr remover:remuev revolver:revuelv disolver:disuelv envolver:envuelv contar:cuent colar:cuel " +
		"regar:rieg moler:muel elegir:elig volcar:vuelc reventar:revient serrar:sierr verter:viert mover:muev " +
		"apretar:apriet dormir:duerm extender:extiend coger:cog atrapar:atrap") {
		verb, stem, _ := strings.Cut(pair, ":")
		strong[verb] = stem
	}
}

var clitics = []string{"lo", "la", "los", "las", "le", "les", "se", "te", "me", "nos", "selo", "sela", "telo", "tela"}

// neverVerbs are forms that mostly are other words.
var neverVerbs = []string{
	"fria",
	"frias",
	"cocina",
	"cocinas",
	"cosa",
	"cosas",
	"vino",
	"cura",
	"nada",
	"llama",
	"llamas",
	"mido",
	"como",
	"vela",
	"velas",
}

// spanishVerb lists the forms of a verb from its infinitive, without accents:
// not the first person, whose ending makes it another word.
func spanishVerb(inf string) []string {
	n := len(inf)
	if n < 3 {
		return []string{inf}
	}
	stem, ending := inf[:n-2], inf[n-2:]
	hard := stem // before e or a of the other kind
	switch {
	case ending == "ar" && strings.HasSuffix(stem, "c"):
		hard = stem[:len(stem)-1] + "qu"
	case ending == "ar" && strings.HasSuffix(stem, "g"):
		hard = stem + "u"
	case ending == "ar" && strings.HasSuffix(stem, "z"):
		hard = stem[:len(stem)-1] + "c"
	}
	s, sHard := stem, hard
	if st, ok := strong[inf]; ok {
		s, sHard = st, st
		if ending == "ar" && strings.HasSuffix(st, "g") {
			sHard = st + "u"
		}
	}
	out := []string{inf}
	var orders, gerund []string
	add := func(to *[]string, forms ...string) { *to = append(*to, forms...) }
	switch ending {
	case "ar":
		add(&gerund, stem+"ando")
		add(&out, endings(stem, "ado ada ados adas as amos ara aran aras aria aron aba aban")...)
		add(&out, endings(s, "as an")...)
		add(&out, endings(sHard, "e es")...)
		add(&out, hard+"emos")
		add(&orders, s+"a", stem+"a", sHard+"e", sHard+"en", hard+"emos", stem+"ad")
	default:
		add(&gerund, stem+"iendo", stem+"endo", stem+"yendo")
		thematic := map[string]string{"er": "e", "ir": "i"}[ending]
		add(&out, endings(stem, "ido ida idos idas amos io ieron ia ian")...)
		add(&out, endings(s, "es en as")...)
		add(&out, endings(stem+thematic, "s mos")...)
		add(&out, endings(inf, "a an as ia")...)
		add(&orders, s+"e", stem+thematic, s+"a", s+"an", stem+"amos", stem+thematic+"d")
	}
	orders = append(orders, ownForms[inf]...)
	out = append(out, orders...)
	out = append(out, gerund...)
	for _, base := range slices.Concat([]string{inf}, gerund, orders) {
		if len(base) < 2 {
			continue
		}
		for _, c := range clitics {
			out = append(out, base+c)
		}
	}
	return slices.DeleteFunc(out, func(w string) bool { return slices.Contains(neverVerbs, w) })
}

// Forms lists the forms that a word takes in a language, folded, the plain one first:
// of a verb ("v"), a noun ("n") or an adjective ("a"). A language without a grammar here
// has the plain form alone.
func Forms(lang, kind, plain string) []string {
	if forms := grammars[cuesOf(lang).Grammar].forms[kind]; forms != nil {
		return forms(plain)
	}
	return []string{plain}
}
