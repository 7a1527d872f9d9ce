package design

import (
	_ "embed"
	"encoding/json"
	"math"
	"regexp"
	"slices"
	"strings"

	"patient-kitchen/core/quantity"
)

// Ground is a drawn picture on which homes mark a place: the same lines for all of
// them, so that their marks can lie on one another.
type Ground string

// The grounds. A field is where the work is done, seen from above.
const (
	Field Ground = "field"
	Sheet Ground = "sheet" // a sheet of paper, lying lengthwise
	Dish  Ground = "dish"  // a round dish from above
	Glass Ground = "glass" // a glass from the side
)

// Grounds are all of them.
var Grounds = []Ground{Field, Sheet, Dish, Glass}

//go:embed grounds.json
var groundsFile []byte

// grounds are the drawings, with the squares that are laid over them: the pages and the
// paper draw from the same file. A sheet is as high as ISO 216 has it.
var grounds = func() (all struct {
	Columns, Rows int
	Width         int
	Grounds       map[Ground]Drawing
}) {
	if err := json.Unmarshal(groundsFile, &all); err != nil {
		panic(err)
	}
	return all
}()

// Drawing is a ground as lines in a frame of so many units.
type Drawing struct {
	Width, Height int
	Lines         string // path data of SVG
}

// Drawing is what homes see of a ground.
func (g Ground) Drawing() Drawing {
	d := grounds.Grounds[g]
	d.Width = grounds.Width
	return d
}

// Squares are the numbers of columns and rows of squares over each ground.
func Squares() (columns, rows int) { return grounds.Columns, grounds.Rows }

// Tall is the height of a ground as a share of its width.
func (g Ground) Tall() float64 {
	return float64(grounds.Grounds[g].Height) / float64(grounds.Width)
}

// Holds reports whether a place lies in the thing that is drawn, not beside it.
func (g Ground) Holds(s Spot) bool {
	switch g {
	case Dish:
		return math.Hypot(s.X-.5, s.Y-.5) <= .5
	case Glass: // its walls leave a tenth of the width free on either side
		return s.X >= .1 && s.X <= .9
	}
	return true
}

// Spot is a place on a picture as shares of its width and height, from the upper left.
type Spot struct {
	X float64 `json:"x" minimum:"0" maximum:"1"`
	Y float64 `json:"y" minimum:"0" maximum:"1"`
}

// On reports whether a place lies on the picture.
func (s Spot) On() bool { return s.X >= 0 && s.X <= 1 && s.Y >= 0 && s.Y <= 1 }

// Square is the letter and number of the square that a place lies in, such as D2: letters
// run from left to right, numbers down.
func (s Spot) Square() string {
	columns, rows := Squares()
	column := min(int(s.X*float64(columns)), columns-1)
	row := min(int(s.Y*float64(rows)), rows-1)
	return string(rune('A'+column)) + string(rune('1'+row))
}

// Bearing is what is worked out of a place.
type Bearing string

// A place comes to its distance from the fixed spot, or to the direction in which it lies.
const (
	Distance  Bearing = "distance"
	Direction Bearing = "direction"
)

// Place is where a reading of the kind position asks for a place, and what it comes to.
type Place struct {
	Picture Ground  `json:"picture" enum:"field,sheet,dish,glass" doc:"The drawing on which it is marked"`
	From    Spot    `json:"from" doc:"The fixed spot that is drawn on it"`
	As      Bearing `json:"as,omitempty" enum:"distance,direction" doc:"Left out: distance from the fixed spot. A direction is an angle from straight up, to the right positive, -180 deg to 180 deg"`
	Ruler   string  `json:"ruler,omitempty" doc:"How wide the drawing is in the world, such as 297 mm; left out: a distance is a share of its width, in %"`
}

// Placed is where a position is marked: on a field, from its middle, where the design does
// not say.
func (r *Reading) Placed() *Place {
	if r.Place == nil {
		return &Place{Picture: Field, From: Spot{.5, .5}}
	}
	return r.Place
}

// bearing is what a place comes to.
func (p *Place) bearing() Bearing {
	if p.As == "" {
		return Distance
	}
	return p.As
}

// Unit is the symbol of the unit that a place comes to: that of the ruler, % of the
// width without one, deg of a direction.
func (p *Place) Unit() string {
	if p.bearing() == Direction {
		return "deg"
	}
	if q, ok := p.width(); ok {
		return q.Unit.Symbol
	}
	return "%"
}

func (p *Place) width() (quantity.Quantity, bool) {
	q, ok := quantity.ParseOK(p.Ruler)
	if !ok || q.Unit.Dim != quantity.Length || !(q.Value > 0) {
		return quantity.Quantity{}, false
	}
	return quantity.Quantity{Value: q.Value, Unit: q.Unit}, true
}

// Directed reports whether a reading is a direction, of which a whole turn is none.
func (r *Reading) Directed() bool {
	return r.Sort() == PositionKind && r.Placed().bearing() == Direction
}

// directly is a formula that is one reading, or its mean or one of its times.
var directly = regexp.MustCompile(`^(?:(?:mean|first|last)\(\s*(\w+)\s*\)|at\(\s*(\w+)\s*,[^()]*\)|(\w+))$`)

// Turns reports whether a value is a direction: a reading of one as it is, or its mean.
func (d *Document) Turns(x Derived) bool {
	found := directly.FindStringSubmatch(strings.TrimSpace(x.Formula))
	return found != nil && slices.ContainsFunc(d.Readings, func(r Reading) bool {
		return slices.Contains(found[1:], r.Symbol) && r.Symbol != "" && r.Directed()
	})
}

// Comes is what a place comes to, in [Place.Unit]: with dx = x − x₀ and
// dy = (y − y₀)·height/width, the distance √(dx² + dy²) times the width, or the direction
// atan2(dx, −dy). u is its standard uncertainty for a place known to lie within reach
// (a share of the width): reach/√3, evenly spread (JCGM 100:2008, 4.3.7); of a direction
// that, seen from the fixed spot, and at most that of no knowledge, 180°/√3.
func (p *Place) Comes(s Spot, reach float64) (value, u float64) {
	dx, dy := s.X-p.From.X, (s.Y-p.From.Y)*p.Picture.Tall()
	far, within := math.Hypot(dx, dy), reach/math.Sqrt(3)
	if p.bearing() == Direction {
		const degrees = 180 / math.Pi
		return math.Atan2(dx, -dy) * degrees, min(math.Atan2(within, far)*degrees, 180/math.Sqrt(3))
	}
	width := 100.0
	if q, ok := p.width(); ok {
		width = q.Value
	}
	return far * width, within * width
}
