package larder

import (
	"embed"
	"encoding/json"
	"fmt"
	"io/fs"
	"path"
	"slices"
	"strings"

	"patient-kitchen/core/text"
)

// Version is the number of the data files' state; a plan is stored with it.
const Version = 1

// Class says how a home's result with a swap stands to the others'.
type Class string

// The comparability classes, best first. They hold for one measured result:
// the same swap may scale a total and separate a rate.
const (
	Pools      Class = "pools"      // joins as it is
	Scales     Class = "scales"     // joins after the conversion, with a flag
	Separate   Class = "separate"   // valid, reported as its own group
	Unsuitable Class = "unsuitable" // not for this, and why
)

// Classes are all of them, best first.
var Classes = []Class{Pools, Scales, Separate, Unsuitable}

// Worst is the lowest of the classes: a kit with several swaps takes it.
// Without any it is Pools.
func Worst(classes ...Class) Class {
	worst := 0
	for _, c := range classes {
		worst = max(worst, slices.Index(Classes, c))
	}
	return Classes[worst]
}

// Qualities are the marks a figure may carry.
var Qualities = []string{"well-known", "typical", "varies", "computed", "choice"}

// Costs are the cost bands, lowest first.
var Costs = []string{"free", "cheap", "moderate"}

// Range is a figure with its spread.
type Range struct {
	Low     float64 `json:"low"`
	Typical float64 `json:"typical"`
	High    float64 `json:"high"`
}

// Role is a job that a thing does in an experiment.
type Role struct {
	ID       string `json:"id"`
	Helper   bool   `json:"helper,omitempty" doc:"Not asked for by itself: it supports another job"`
	Job      string `json:"job"`
	Matters  string `json:"matters" doc:"Properties that matter"`
	Requires string `json:"requires"`
	Limits   string `json:"limits" doc:"Usual limits; a design may set its own"`
	Failure  string `json:"failure" doc:"What usually goes wrong"`
}

// Substance is something pure that materials hold, with what it can do.
type Substance struct {
	ID        string         `json:"id"`
	Name      text.Localized `json:"name"`
	Molar     float64        `json:"molar"`               // g/mol
	Protons   float64        `json:"protons,omitempty"`   // acid given, mol per mol
	CO2       float64        `json:"co2,omitempty"`       // gas given with acid in excess, mol per mol
	Need      float64        `json:"need,omitempty"`      // acid taken per CO₂, mol per mol
	O2        float64        `json:"o2,omitempty"`        // oxygen given, mol per mol
	Particles float64        `json:"particles,omitempty"` // when dissolved, mol per mol
	Hexose    float64        `json:"hexose,omitempty"`    // yeast food, mol per mol
	Densities [][2]float64   `json:"densities,omitempty"` // of its solution: % by mass, g/mL at 20 °C
}

// Side is what a swap is from or to: materials, or words for a state
// or kind of them.
type Side struct {
	Text      string   `json:"text"`
	Materials []string `json:"materials,omitempty"`
	Percent   float64  `json:"percent,omitempty" doc:"Strength, where the rule is about one"`
	Form      string   `json:"form,omitempty"`
	Same      bool     `json:"same_strength,omitempty" doc:"As strong as what it stands in for"`
}

// SwapRule is one swap, for the results it names.
type SwapRule struct {
	ID        string   `json:"id"`
	Role      string   `json:"role"`
	Results   []string `json:"results" doc:"What is measured; any for all"`
	From      Side     `json:"from"`
	To        Side     `json:"to"`
	Basis     Basis    `json:"basis"`
	Class     Class    `json:"class"`
	Factor    *Range   `json:"factor,omitempty" doc:"Amount over amount, where nothing it could be computed from is known"`
	Worked    string   `json:"worked,omitempty"`
	Effect    string   `json:"effect,omitempty"`
	Safety    string   `json:"safety,omitempty" doc:"What changes in safety"`
	Procedure string   `json:"procedure,omitempty" doc:"What changes in the procedure"`
	Own       bool     `json:"own,omitempty" doc:"Added by the school"`
}

// Word is something people type that may mean several things.
type Word struct {
	Typed   []string       `json:"typed"`
	Rule    string         `json:"rule" enum:"ask,match,refuse"`
	Why     text.Localized `json:"why"`
	Choices []string       `json:"choices,omitempty"`
}

// Fallback is what to do about a need without buying anything.
type Fallback struct {
	Need     string   `json:"need"`
	Fallback string   `json:"fallback"`
	Expect   string   `json:"expect"`
	Rules    []string `json:"rules,omitempty"`
	Class    string   `json:"class,omitempty"`
}

// Printable is a sheet that stands in for a tool.
type Printable struct {
	Sheet string `json:"sheet"`
	Size  string `json:"size"`
	Use   string `json:"use"`
	Error string `json:"error"`
	Class string `json:"class"`
}

// Diet is what allergies, diet and faith ask for, and a swap that keeps the
// job. Families choose; no reason is recorded.
type Diet struct {
	Materials []string `json:"materials,omitempty"`
	About     string   `json:"about,omitempty"`
	Allergen  string   `json:"allergen,omitempty"`
	Diet      string   `json:"diet,omitempty"`
	Swaps     []string `json:"swaps,omitempty"`
	Swap      string   `json:"swap,omitempty"`
}

// Pet is a hazard to animals in the home.
type Pet struct {
	Hazard    string   `json:"hazard"`
	Animals   string   `json:"animals"`
	Materials []string `json:"materials,omitempty"`
	Examples  string   `json:"examples,omitempty"`
	Note      string   `json:"note,omitempty"`
}

// Never is a pair or an act that no kit may hold.
type Never struct {
	What   string `json:"what"`
	Result string `json:"result"`
	Rule   string `json:"rule"`
}

// Larder is everything known, looked up by id. It is not changed after it
// was made and may be shared.
type Larder struct {
	Roles       []Role
	Materials   []Material
	Rules       []SwapRule
	Substances  []Substance
	Words       []Word
	Fallbacks   []Fallback
	Printables  []Printable
	Diets       []Diet
	Pets        []Pet
	Nevers      []Never
	Properties  []Question
	Qualities   []Quality
	Makes       map[string]map[string]string // what a make says of a thing, property by property
	Kinds       []Result
	ResultWords map[string]text.Localized // what only swaps name, in words
	Offers      map[string][]string       // what to offer first, by rule of the safety book

	RefusedNames RefusedNames

	shipped    map[string]bool
	several    map[string]*Word       // by a name with several meanings
	byWords    map[string][]*Material // by the words of a name, singular
	roles      map[string]*Role
	materials  map[string]*Material
	substances map[string]*Substance
	names      [][]name               // of each material, as searched
	first      map[string]*Material   // by language and words
	called     map[string][]*Material // by folded name
}

// name is an everyday name as it stands and as it is searched.
type name struct {
	as, folded string
	lang       string   // "" for the id
	main       bool     // the first name of its language
	words      []string // stems, without words that only join
	parts      []string // each name of a list with commas, as words joined
}

//go:embed data
var files embed.FS

//go:embed texts/*.json
var texts embed.FS

var standard = load()

// Standard is the larder that ships with the program.
func Standard() *Larder { return standard }

func load() *Larder {
	text.Register(texts)
	l := &Larder{}
	read := func(name string, into any) {
		data, err := fs.ReadFile(files, "data/"+name)
		if err == nil {
			err = json.Unmarshal(data, into)
		}
		if err != nil {
			panic(fmt.Sprintf("larder: %s: %v", name, err))
		}
	}
	each := func(folder string, do func(name string)) {
		entries, err := fs.ReadDir(files, "data/"+folder)
		if err != nil {
			panic(fmt.Sprintf("larder: %v", err))
		}
		for _, e := range entries {
			do(path.Join(folder, e.Name()))
		}
	}
	each("materials", func(name string) {
		var some []Material
		read(name, &some)
		_, shelf, _ := strings.Cut(strings.TrimSuffix(path.Base(name), ".json"), "-")
		for i := range some {
			some[i].Shelf = shelf
		}
		l.Materials = append(l.Materials, some...)
	})
	each("swaps", func(name string) {
		var some []SwapRule
		read(name, &some)
		l.Rules = append(l.Rules, some...)
	})
	read("roles.json", &l.Roles)
	read("substances.json", &l.Substances)
	read("words.json", &l.Words)
	read("fallbacks.json", &l.Fallbacks)
	read("printables.json", &l.Printables)
	read("diet.json", &l.Diets)
	read("pets.json", &l.Pets)
	read("never.json", &l.Nevers)
	read("properties.json", &l.Properties)
	read("makes.json", &l.Makes)
	read("qualities.json", &l.Qualities)
	read("results.json", &l.Kinds)
	read("result-words.json", &l.ResultWords)
	read("offers.json", &l.Offers)
	read("refused-names.json", &l.RefusedNames)
	return Index(*l)
}

// Index makes a larder of parts that is looked up by id and by name; all its
// materials count as shipped.
func Index(parts Larder) *Larder {
	l := &parts
	l.shipped = map[string]bool{}
	for i := range l.Materials {
		l.shipped[l.Materials[i].ID] = true
	}
	l.index()
	l.RefusedNames.index(l)
	return l
}

func (l *Larder) index() {
	l.roles, l.materials, l.substances = map[string]*Role{}, map[string]*Material{}, map[string]*Substance{}
	for i := range l.Roles {
		l.roles[l.Roles[i].ID] = &l.Roles[i]
	}
	l.names, l.called, l.byWords, l.first = make(
		[][]name,
		len(l.Materials),
	), map[string][]*Material{}, map[string][]*Material{}, map[string]*Material{}
	for i := range l.Materials {
		m := &l.Materials[i]
		l.materials[m.ID] = m
		for lang, list := range m.FirstFor {
			for _, w := range list {
				l.first[lang+" "+strings.Join(search(w, lang), " ")] = m
			}
		}
		for _, n := range m.named() {
			l.names[i] = append(l.names[i], n)
			l.called[n.folded] = append(l.called[n.folded], m)
			for _, key := range n.parts {
				if !slices.Contains(l.byWords[key], m) {
					l.byWords[key] = append(l.byWords[key], m)
				}
			}
		}
	}
	l.several = map[string]*Word{}
	for i := range l.Words {
		for _, typed := range l.Words[i].Typed {
			l.several[fold(typed)] = &l.Words[i]
		}
	}
	for i := range l.Substances {
		l.substances[l.Substances[i].ID] = &l.Substances[i]
	}
}

// Material finds a material by its id.
func (l *Larder) Material(id string) (*Material, bool) {
	m, ok := l.materials[id]
	return m, ok
}

// Role finds a role by its id.
func (l *Larder) Role(id string) (*Role, bool) {
	r, ok := l.roles[id]
	return r, ok
}
