package text

import (
	"embed"
	"encoding/json"
	"fmt"
	"io/fs"
	"maps"
	"regexp"
	"slices"
	"strings"
)

// Language is how a language writes what is not a sentence: numbers, lists,
// which form of a word goes with how many.
type Language struct {
	Code      string    // of the language, such as es
	Tag       string    // of the language in a region, such as es-MX; the code where none is meant
	Names     Localized // what it is called, in each language
	Typed     []string  // what people write for it in a list, in small letters
	Direction string    // "ltr" or "rtl"
	Decimal   string    // sign between the whole and the rest
	Group     string    // sign between thousands
	Quotes    [2]string
	Yes, No   string
	Weekdays  [7]string     // from Sunday, short
	Months    [12]string    // short
	Halves    [2]string     // of the day, where hours are counted to 12
	Hours     int           // 12 or 24
	Moment    string        // day and time, such as {weekday} {day} {month} {year}, {time}
	Plurals   []PluralClass // in the order of the forms in a sentence; the last takes what no other does
	and, or   []joint
	regions   map[string]*Language // by country: the language as it is written there
}

// joint is a word between the last two of a list; before some words it sounds
// otherwise.
type joint struct {
	before *regexp.Regexp // nil: before any
	word   string
}

//go:embed languages/*.json
var languageFiles embed.FS

// known are the languages that ship, the first before the others.
var known = loadLanguages()

// Languages are the codes of the languages every message exists in; the first is
// the one taken for readers of any other.
var Languages = codes(known)

func codes(all []*Language) []string {
	out := make([]string, len(all))
	for i, l := range all {
		out[i] = l.Code
	}
	return out
}

// Tags are the languages, each followed by what it is called as written in the
// countries known for it.
func Tags() []string {
	var out []string
	for _, l := range known {
		out = append(out, l.Code)
		for _, country := range slices.Sorted(maps.Keys(l.regions)) {
			out = append(out, l.regions[country].Tag)
		}
	}
	return out
}

func loadLanguages() []*Language {
	files, err := fs.Glob(languageFiles, "languages/*.json")
	if err != nil {
		panic(err) // a fault of the pattern
	}
	var out []*Language
	for _, name := range files {
		raw, err := languageFiles.ReadFile(name)
		if err != nil {
			panic(err) // it ships with the program
		}
		code := strings.TrimSuffix(strings.TrimPrefix(name, "languages/"), ".json")
		l, first, err := readLanguage(code, raw)
		switch {
		case err != nil:
			panic(fmt.Sprintf("text: %s: %v", name, err))
		case first:
			out = slices.Insert(out, 0, l)
		default:
			out = append(out, l)
		}
	}
	return out
}

// readLanguage reads a language's file. Its errors name the entry.
func readLanguage(code string, raw []byte) (l *Language, first bool, err error) {
	var file struct {
		First          bool
		Names          Localized
		Typed          []string
		Direction      string
		Decimal, Group string
		Quotes         [2]string
		Yes, No        string
		Plurals        [][2]string
		Weekdays       [7]string
		Months         [12]string
		Halves         [2]string
		Moment         string
		Regions        map[string]struct {
			Decimal, Group, Moment string
			Hours                  int
		}
		And, Or map[string]string
	}
	if err := json.Unmarshal(raw, &file); err != nil {
		return nil, false, err
	}
	l = &Language{
		Code:      code,
		Tag:       code,
		Names:     file.Names,
		Typed:     file.Typed,
		Direction: file.Direction,
		Decimal:   file.Decimal,
		Group:     file.Group,
		Quotes:    file.Quotes,
		Yes:       file.Yes,
		No:        file.No,
		Weekdays:  file.Weekdays,
		Months:    file.Months,
		Halves:    file.Halves,
		Moment:    file.Moment,
		Hours:     24,
	}
	for _, p := range file.Plurals {
		rule, err := readPlural(p[1])
		if err != nil {
			return nil, false, fmt.Errorf("plurals, %s: %w", p[0], err)
		}
		l.Plurals = append(l.Plurals, PluralClass{p[0], rule})
	}
	if l.and, err = readJoints(file.And); err != nil {
		return nil, false, err
	}
	if l.or, err = readJoints(file.Or); err != nil {
		return nil, false, err
	}
	if len(l.Plurals) == 0 || l.Decimal == "" || len(l.and) == 0 || len(l.or) == 0 || l.Moment == "" {
		return nil, false, fmt.Errorf("plurals, decimal, and, or, moment have to be there")
	}
	l.regions = map[string]*Language{}
	for country, own := range file.Regions {
		there := *l
		there.Tag = code + "-" + country
		if own.Decimal != "" {
			there.Decimal, there.Group = own.Decimal, own.Group
		}
		if own.Moment != "" {
			there.Moment = own.Moment
		}
		if own.Hours != 0 {
			there.Hours = own.Hours
		}
		l.regions[country] = &there
	}
	return l, file.First, nil
}

// readJoints reads the words that join a list, by what has to stand behind them ("" for
// anything); the longest pattern is tried first.
func readJoints(words map[string]string) ([]joint, error) {
	var out []joint
	for pattern, word := range words {
		j := joint{word: word}
		if pattern != "" {
			var err error
			if j.before, err = regexp.Compile("(?i)" + pattern); err != nil {
				return nil, fmt.Errorf("lists: %w", err)
			}
		}
		out = append(out, j)
	}
	slices.SortFunc(out, func(a, b joint) int { return len(pattern(b)) - len(pattern(a)) })
	return out, nil
}

func pattern(j joint) string {
	if j.before == nil {
		return ""
	}
	return j.before.String()
}

// Of is how a language writes, with a tag such as es-MX as it is written there;
// of one that does not ship it is the first's.
func Of(language string) *Language {
	base, country, _ := strings.Cut(language, "-")
	for _, l := range known {
		if l.Code == base {
			if there, ok := l.regions[country]; ok {
				return there
			}
			return l
		}
	}
	return known[0]
}

//go:embed zones.json
var zonesFile []byte

// countries are the countries of time zones, for the countries in which a language
// that ships is written in a way of its own or whose paper is not A4. Source: the zone table of the IANA
// time zone database.
var countries = func() map[string]string {
	var zones map[string][]string
	if err := json.Unmarshal(zonesFile, &zones); err != nil {
		panic(err) // it ships with the program
	}
	out := map[string]string{}
	for country, names := range zones {
		for _, name := range names {
			out[name] = country
		}
	}
	return out
}()

// In is a language as it is written where a time zone is: es-MX for es in
// America/Mexico_City; the language itself where nothing is known of the place.
func In(language, zone string) string {
	if there, ok := Of(language).regions[countries[zone]]; ok {
		return there.Tag
	}
	return language
}

// Paper is what people print on where a time zone is: "Letter" in the countries that the
// supplemental data of CLDR list for it, "A4" elsewhere.
func Paper(zone string) string {
	if letter[countries[zone]] {
		return "Letter"
	}
	return "A4"
}

var letter = map[string]bool{"BZ": true, "CA": true, "CL": true, "CO": true, "CR": true, "GT": true, "MX": true,
	"NI": true, "PA": true, "PH": true, "PR": true, "SV": true, "US": true, "VE": true}

// Base is the code of the language of a tag: "es" of "es-MX".
func Base(tag string) string {
	base, _, _ := strings.Cut(tag, "-")
	return strings.ToLower(base)
}

// Ships reports whether messages exist in a language.
func Ships(code string) bool { return slices.Contains(Languages, code) }

// LanguageName is what a language is called; one that is not known is its code.
func LanguageName(code string) Localized {
	if Ships(code) {
		return Of(code).Names
	}
	return Localized{Languages[0]: code}
}

// Named is the language that people write so: its code, a tag of it, or its name
// in any language known here.
func Named(typed string) (code string, ok bool) {
	typed = strings.ToLower(strings.TrimSpace(typed))
	for _, l := range known {
		if Base(typed) == l.Code && (len(typed) == len(l.Code) || len(typed) == len(l.Code)+3) ||
			slices.Contains(l.Typed, typed) {
			return l.Code, true
		}
	}
	return "", false
}

// And writes words as a list: "milk, soy and nuts".
func (l *Language) And(words []string) string { return join(words, l.and) }

// Or writes words as a choice: "milk, soy or nuts".
func (l *Language) Or(words []string) string { return join(words, l.or) }

func join(words []string, joints []joint) string {
	if len(words) < 2 {
		return strings.Join(words, "")
	}
	last := len(words) - 1
	for _, j := range joints {
		if j.before == nil || j.before.MatchString(words[last]) {
			return strings.Join(words[:last], ", ") + j.word + words[last]
		}
	}
	return strings.Join(words, ", ")
}
