package detect

import (
	"cmp"
	"embed"
	"math"
	"slices"

	"gonum.org/v1/gonum/stat/distuv"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/stats"
	"patient-kitchen/core/text"
)

//go:embed texts/*.json
var texts embed.FS

func init() { text.Register(texts) }

// Usual is how many homes a class has where nobody has said which.
const Usual = 24

// From these chances on a class is sure, or likely, to see an effect.
const (
	Sure   = 0.9
	Likely = 0.8
)

// Answer says whether the least of what is claimed would be seen.
type Answer struct {
	Homes     int
	Kind      design.ReadingKind // of what is claimed; "" where nothing is
	Claim     compare.Planned
	Source    Source
	Effect    float64 // in the value's unit; a factor where it is compared by factors
	Class     float64 // chance that the class sees it
	Home      float64 // chance that one home alone sees it, as twice its give or take
	Least     float64 // where nothing says the effect: what the class would be sure to see
	Agree     int     // of kinds without a size: homes that have to agree, of Homes
	Tries     int
	Mends     []Mend // the least effort first
	Unclaimed bool   // it is compared once something is claimed of it
	Blind     bool   // evidence alone, of which nobody says what it must show
}

// MendKind is a change that would make an effect easier to see.
type MendKind string

// The mends, in the order of their effort.
const (
	MoreTries MendKind = "tries" // N tries of each
	FinerTool MendKind = "tool"  // a tool that shows a tenth of the step
	MoreHomes MendKind = "homes" // N homes
)

// Mend is one of them with what it gives.
type Mend struct {
	Kind  MendKind
	N     int
	Class float64
	Home  float64
}

// Of works out what a class of so many homes would see of a design, and one home alone.
func Of(d *design.Document, homes int) Answer {
	out := Answer{Homes: homes, Tries: max(1, d.Trials)}
	planned := compare.Plan(d)
	if len(planned) == 0 {
		for i := range d.Readings {
			if k := d.Readings[i].Sort(); k == design.OrderKind || k == design.StageOrderKind || k == design.WordsKind {
				out.Kind, out.Unclaimed = k, true
			}
		}
		out.Blind = len(d.Readings) == 0 && len(d.Evidence) > 0 &&
			!slices.ContainsFunc(d.Evidence, func(e design.Evidence) bool { return e.MustShow[first(d)] != "" })
		return out
	}
	worst := false
	for _, p := range planned {
		a := out
		a.Claim = p
		a.Kind = design.QuantityKind
		if r, ok := d.Reading(p.Value); ok {
			a.Kind = r.Sort()
			a.Tries = d.TrialsOf(r)
		}
		if _, ok := Narrowing(d, p); ok {
			a.numbers(d, len(planned))
		} else {
			a.Agree = agree(d, p, homes, len(planned))
		}
		if !worst || a.Class < out.Class && a.Source != Nothing {
			out, worst = a, true
		}
	}
	return out
}

func first(d *design.Document) string {
	if len(d.Languages) > 0 {
		return d.Languages[0]
	}
	return text.Languages[0]
}

// numbers works a claim of what is measured out, with what would mend it.
func (a *Answer) numbers(d *design.Document, claims int) {
	effect, source := Effect(d, a.Claim)
	a.Source = source
	chance := chance
	if a.stated() {
		chance = near
	}
	sd := func(tries float64, finer bool) float64 { return homeSpread(d, a.Claim, tries, finer) }
	own := sd(float64(a.Tries), false)
	if math.IsNaN(own) || own == 0 && source == Nothing {
		a.Source = Nothing
		return
	}
	if source == Nothing {
		a.Least = least(func(size float64) float64 { return chance(size, own, a.Homes, claims) }, own)
		if Trend(a.Claim) {
			a.Least = overAll(d, a.Least)
		}
		if a.Claim.Ratio {
			a.Least = math.Exp(a.Least)
		}
		return
	}
	a.Effect = effect
	if Trend(a.Claim) {
		a.Effect = overAll(d, effect)
	}
	if a.Claim.Ratio {
		a.Effect = math.Exp(a.Effect)
	}
	a.Class, a.Home = chance(effect, own, a.Homes, claims), alone(effect, own)
	if a.Class >= Sure {
		return
	}
	a.mend(effect, own, claims, chance, sd)
}

// mend finds what would make an effect seen, from the least effort on. own is how far one
// home's value scatters, sd what it would be with other repeats or a finer tool.
func (a *Answer) mend(
	effect, own float64, claims int, chance func(effect, sd float64, homes, claims int) float64,
	sd func(tries float64, finer bool) float64,
) {
	try := func(kind MendKind, n int, spread float64, homes int) {
		m := Mend{kind, n, chance(effect, spread, homes, claims), alone(effect, spread)}
		if m.Class >= Likely || m.Class > a.Class+0.1 {
			a.Mends = append(a.Mends, m)
		}
	}
	if more := a.Tries + 2; more <= 20 {
		try(MoreTries, more, sd(float64(more), false), a.Homes)
	}
	try(FinerTool, 10, sd(float64(a.Tries), true), a.Homes)
	for n := a.Homes + 1; n <= 500; n++ {
		if chance(effect, own, n, claims) >= Likely {
			try(MoreHomes, n, own, n)
			break
		}
	}
	slices.SortStableFunc(a.Mends, func(x, y Mend) int { return cmp.Compare(effort(x), effort(y)) })
}

// stated reports whether a value is held against a stated one.
func (a *Answer) stated() bool { return a.Claim.Test == stats.OneSampleTest }

// overAll is a slope as what it makes from the least level to the most.
func overAll(d *design.Document, slope float64) float64 {
	x, _ := Levels(d)
	return slope * (slices.Max(x) - slices.Min(x))
}

// effort puts the mends that do it before those that only help.
func effort(m Mend) int {
	at := slices.Index([]MendKind{MoreTries, FinerTool, MoreHomes}, m.Kind)
	if m.Class < Likely {
		at += 10
	}
	return at
}

// homeSpread is the spread of what one home finds, by its tools and tries: each value that
// goes into it is read so often.
func homeSpread(d *design.Document, p compare.Planned, tries float64, finer bool) float64 {
	q, ok := d.Spread(p.Value, func(r *design.Reading, _ []string) float64 { return Scatter(r, "", finer, false) })
	round, _ := d.Spread(p.Value, func(r *design.Reading, _ []string) float64 { return Scatter(r, "", finer, true) })
	switch {
	case !ok:
		return math.NaN()
	case p.Ratio && q.Value != 0:
		q.U, round.U = q.U/math.Abs(q.Value), round.U/math.Abs(q.Value)
	}
	// Trying again does not take away what the tool's step hides.
	again := math.Max(0, q.U*q.U-round.U*round.U)
	narrow, _ := Narrowing(d, p)
	return math.Sqrt(narrow * (again/tries + round.U*round.U))
}

// chance is how likely a class sees an effect: a two-sided test of the mean difference
// at 5 %, of so many claims, with the homes that are left, whose effects differ. The
// noncentral t is taken as a shifted normal, with the quantile of Student's t: within two
// in a hundred of the exact power from ten homes on.
func chance(effect, spread float64, homes, claims int) float64 {
	n := math.Floor(float64(homes) * (1 - DropsOut))
	if n < 2 || effect == 0 {
		return 0
	}
	se := math.Sqrt((spread*spread + Differs*Differs*effect*effect) / n)
	if se == 0 {
		return 1
	}
	return Power(math.Abs(effect)/se, n, claims)
}

// near is how likely the interval of a class lies within so much of a stated value, where
// it is so: both ends of it, for so many claims.
func near(size, spread float64, homes, claims int) float64 {
	n := math.Floor(float64(homes) * (1 - DropsOut))
	if n < 2 || size == 0 {
		return 0
	}
	se := spread / math.Sqrt(n)
	if se == 0 {
		return 1
	}
	return math.Max(0, 2*Power(math.Abs(size)/se, n, claims)-1)
}

// Power is the chance of a t test of n differences whose mean is so many standard errors.
func Power(away, n float64, claims int) float64 {
	t := distuv.StudentsT{Mu: 0, Sigma: 1, Nu: n - 1}.Quantile(1 - 0.025/float64(max(1, claims)))
	return distuv.UnitNormal.CDF(away - t)
}

// alone is how likely one home's own difference is more than twice its give or take, the
// right way round.
func alone(effect, spread float64) float64 {
	if spread == 0 {
		return 1
	}
	return distuv.UnitNormal.CDF(math.Abs(effect)/spread - 2)
}

// least is the effect that a class is sure to see, up to twenty times its homes' spread.
func least(chance func(size float64) float64, spread float64) float64 {
	low, high := 0.0, 20*spread
	if chance(high) < Sure {
		return 0
	}
	for range 40 {
		if mid := (low + high) / 2; chance(mid) >= Sure {
			high = mid
		} else {
			low = mid
		}
	}
	return high
}

// agree is how many of the homes have to say the same for a test of signs at 5 %, of so
// many claims, or to be right more often than guessing; 0 where no number is enough.
func agree(d *design.Document, p compare.Planned, homes, claims int) int {
	n := int(float64(homes) * (1 - DropsOut))
	guess := Guess(d, p)
	for k := int(math.Ceil(float64(n) * guess)); k <= n; k++ {
		if stats.ExactBinomial(k, n, guess) <= 0.05/float64(max(1, claims)) {
			return k
		}
	}
	return 0
}

// Guess is the share of homes that would say the same by chance: half of them, or, where
// a choice is claimed, what the claim says, else that of one option among all.
func Guess(d *design.Document, p compare.Planned) float64 {
	if p.Says == "share" && p.Stated != nil && *p.Stated > 0 && *p.Stated < 1 {
		return *p.Stated
	}
	if r, ok := d.Reading(p.Value); ok && p.Says == "share" && len(r.Options) > 1 {
		return 1 / float64(len(r.Options))
	}
	return 0.5
}

// Seen is whether something would be seen, with what is said of it.
type Seen string

// A class is sure, or not; or nothing says what to look for.
const (
	Fine   Seen = "fine"
	Unsure Seen = "unsure" // it would probably be missed
	Open   Seen = "open"   // nothing says how large it should be
)

// Say is the answer as a line: whether it is fine, and the sentence.
func (a *Answer) Say() (Seen, text.Message) {
	homes := int(float64(a.Homes) * (1 - DropsOut))
	switch {
	case a.Blind:
		return Open, text.M("detect.blind")
	case a.Unclaimed:
		return Open, text.M("detect.unclaimed")
	case a.Kind == "":
		return Open, text.M("detect.nothing")
	case a.Kind == design.YesPartlyNoKind && a.Tries == 1 && a.Agree > 0:
		return Open, text.M("detect.once", "agree", a.Agree, "n", homes)
	case a.Agree > 0:
		return Fine, text.M("detect.agree", "agree", a.Agree, "n", homes)
	case a.Source == Nothing && a.Least == 0 && a.Homes > 3:
		return Open, text.M("detect.no-scatter")
	case a.Source == "" || a.Source == Nothing && a.Least == 0:
		return Open, text.M("detect.few", "homes", a.Homes)
	}
	return a.sized()
}

// sized is the answer of a claim with a size: how surely it is seen, or which would be.
func (a *Answer) sized() (Seen, text.Message) {
	of, fine := "detect.", "fine."+a.alone()
	if a.stated() {
		of, fine = "detect.stated.", "fine"
	}
	if a.Source == Nothing {
		return Open, text.M(of+"least", "homes", a.Homes, "size", a.size(a.Least))
	}
	seen, says := Unsure, of+"unsure"
	if a.Class >= Likely {
		seen, says = Fine, of+fine
	}
	return seen, text.M(says, "homes", a.Homes, "chance", percent(a.Class), "size", a.size(a.Effect))
}

// alone says in a word what one home sees.
func (a *Answer) alone() string {
	switch {
	case a.Home >= Sure:
		return "home"
	case a.Home >= 0.5:
		return "likely"
	}
	return "class"
}

// Words say a mend with what it gives.
func (m Mend) Words() text.Message {
	return text.M("detect.mend."+string(m.Kind), "n", m.N, "chance", percent(m.Class))
}

func percent(chance float64) int { return int(math.Round(100 * math.Min(chance, 0.99))) }

// size is an effect as it is read: of a trend from the least level to the most, of an order
// from each to the next.
func (a *Answer) size(v float64) any {
	v = math.Abs(v)
	var size any = quantity.Quantity{Value: v, U: v / 5, Unit: a.Claim.Unit}.Bare()
	if a.Claim.Ratio {
		size = text.M("detect.factor", "n", math.Round(v*100)/100)
	}
	switch {
	case Trend(a.Claim):
		return text.M("detect.over-all", "size", size)
	case a.Claim.Says == "order":
		return text.M("detect.each-next", "size", size)
	}
	return size
}
