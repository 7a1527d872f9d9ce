package sheets

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// TrueSize is a sheet that is printed at 100 %: a drawing in millimetres, how it is used,
// and how it is made by hand where nobody has a printer.
type TrueSize struct {
	ID, Name, How, ByHand string
	Drawing
}

// Drawing is lines and words on paper; all lengths are in millimetres.
type Drawing struct {
	Width, Height      float64
	Lines, Fine, Folds string // SVG paths: cut or read along, of a fine grid, folded along
	Words              []Word
}

// Word is a text on a drawing: around its middle, or from its left end on.
type Word struct {
	X, Y float64
	Text string
	Size float64
	Left bool
}

// Printables are the sheets at true size that a design names, in the order of the list.
func Printables(d *design.Document, language string) []TrueSize {
	out := []TrueSize{}
	for _, id := range design.Printables {
		if !slices.Contains(d.Printables, id) {
			continue
		}
		say := func(part string) string { return text.Render(text.M("printable."+id+part), language) }
		p := pen{language: language}
		drawings[id](&p)
		out = append(out, TrueSize{id, say(""), say(".how"), say(".by-hand"), p.drawing()})
	}
	return out
}

// drawings draw each of them.
var drawings = map[string]func(*pen){
	"ruler": ruler, "protractor": protractor, "grid": grid, "spinner": spinner, "tally": tally, "chart": chart,
	"jar-scale": jarScale, "sundial": sundial, "circles": circles, "wedge": wedge, "chamber": chamber,
	"colours": colours, "tape": tape,
}

// pen writes paths.
type pen struct {
	language           string
	width, height      float64
	lines, fine, folds strings.Builder
	words              []Word
}

func (p *pen) drawing() Drawing {
	return Drawing{p.width, p.height, p.lines.String(), p.fine.String(), p.folds.String(), p.words}
}

func (p *pen) size(width, height float64) { p.width, p.height = width, height }

func (p *pen) line(x1, y1, x2, y2 float64) { path(&p.lines, x1, y1, x2, y2) }
func (p *pen) thin(x1, y1, x2, y2 float64) { path(&p.fine, x1, y1, x2, y2) }
func (p *pen) fold(x1, y1, x2, y2 float64) { path(&p.folds, x1, y1, x2, y2) }

func path(b *strings.Builder, x1, y1, x2, y2 float64) {
	fmt.Fprintf(b, "M%s %sL%s %s", mm(x1), mm(y1), mm(x2), mm(y2))
}

// mm is a length to a hundredth of a millimetre.
func mm(v float64) string {
	return strings.TrimSuffix(strings.TrimRight(fmt.Sprintf("%.2f", v), "0"), ".")
}

func (p *pen) box(x, y, w, h float64) {
	fmt.Fprintf(&p.lines, "M%s %sh%sv%sh-%sz", mm(x), mm(y), mm(w), mm(h), mm(w))
}

func (p *pen) circle(x, y, r float64) {
	fmt.Fprintf(&p.lines, "M%s %sa%s %s 0 1 0 %s 0a%s %s 0 1 0 -%s 0z", mm(x-r), mm(y), mm(r), mm(r), mm(2*r), mm(r),
		mm(r), mm(2*r))
}

func (p *pen) arc(x, y, r, from, to float64) {
	a, b := at(x, y, r, from), at(x, y, r, to)
	fmt.Fprintf(&p.lines, "M%s %sA%s %s 0 0 0 %s %s", mm(a[0]), mm(a[1]), mm(r), mm(r), mm(b[0]), mm(b[1]))
}

// at is a point at an angle in degrees, counted against the clock from the right.
func at(x, y, r, angle float64) [2]float64 {
	s, c := math.Sincos(angle * math.Pi / 180)
	return [2]float64{x + r*c, y - r*s}
}

func (p *pen) word(x, y, size float64, words string) {
	p.words = append(p.words, Word{X: x, Y: y, Text: words, Size: size})
}

func (p *pen) say(id string) string { return text.Render(text.M("printable."+id), p.language) }

// scale draws millimetre marks from 0 on, downwards or to the right, numbered in steps of
// ten.
func (p *pen) scale(x, y, length float64, down bool) {
	for i := 0; i <= int(length); i++ {
		mark := map[bool]float64{true: 3, false: 2}[i%5 == 0]
		if i%10 == 0 {
			mark = 5
		}
		v := float64(i)
		if down {
			p.line(x, y+v, x+mark, y+v)
		} else {
			p.line(x+v, y, x+v, y+mark)
		}
		switch {
		case i%10 == 0 && down:
			p.word(x+9, y+v+1, 3, fmt.Sprint(i))
		case i%10 == 0:
			p.word(x+v, y+9, 3, fmt.Sprint(i))
		}
	}
}

func ruler(p *pen) {
	p.size(160, 40)
	p.box(0, 0, 160, 40)
	p.scale(5, 0, 150, false)
	for i := range 16*5 + 14 { // sixteenths of an inch, as far as 150 mm go
		x := 5 + float64(i)*25.4/16
		mark := 2.0
		switch {
		case i%16 == 0:
			mark = 6
			p.word(x, 31, 3, fmt.Sprint(i/16))
		case i%4 == 0:
			mark = 4
		}
		p.line(x, 40, x, 40-mark)
	}
	p.word(80, 18, 3, "mm")
	p.word(80, 25, 3, "in")
}

func tape(p *pen) {
	p.size(190, 184)
	for i := range 7 {
		y := float64(i) * 26.6
		p.box(0, y, 190, 24)
		for k := range 181 {
			mark := map[bool]float64{true: 4, false: 2}[k%10 == 0]
			p.line(float64(k), y, float64(k), y+mark)
			if k%10 == 0 && k > 0 { // its beginning lies under the end of the one before
				p.word(float64(k), y+9, 3, fmt.Sprint(i*180+k))
			}
		}
		p.fold(180, y, 180, y+24)
		p.word(185, y+14, 3, p.say("glue"))
	}
}

func protractor(p *pen) {
	const r = 90.0
	p.size(2*r+4, r+8)
	x, y := r+2, r+2
	p.line(2, y, 2*r+2, y)
	p.arc(x, y, r, 0, 180)
	for a := range 181 {
		inner := r - 3
		switch {
		case a%10 == 0:
			inner = r - 8
			q := at(x, y, r-12, float64(a))
			p.word(q[0], q[1]+1, 3, fmt.Sprint(a))
		case a%5 == 0:
			inner = r - 5
		}
		from, to := at(x, y, inner, float64(a)), at(x, y, r, float64(a))
		p.line(from[0], from[1], to[0], to[1])
	}
	p.line(x, y-4, x, y+4)
}

func grid(p *pen) {
	p.size(180, 180)
	for i := 0; i <= 180; i++ {
		draw := p.thin
		if i%10 == 0 {
			draw = p.line
		}
		draw(float64(i), 0, float64(i), 180)
	}
	for i := 0; i <= 180; i++ {
		draw := p.thin
		if i%10 == 0 {
			draw = p.line
		}
		draw(0, float64(i), 180, float64(i))
	}
}

// spinner draws three paper spinners with wings of 40, 60 and 80 mm, which are folded to
// either side; the body below is folded in thirds, its foot up.
func spinner(p *pen) {
	p.size(174, 160)
	for i, wing := range []float64{40, 60, 80} {
		x, body := float64(i)*60, wing+8
		end := body + 72
		p.box(x, 0, 54, end)
		p.line(x+27, 0, x+27, wing)     // between the wings
		p.line(x, body, x+18, body)     // into the body from the left
		p.line(x+36, body, x+54, body)  // and from the right
		p.fold(x, wing, x+54, wing)     // the wings
		p.fold(x+18, body, x+18, end)   // the body in thirds
		p.fold(x+36, body, x+36, end)   // of its width
		p.fold(x, end-12, x+54, end-12) // the foot
		p.word(x+27, wing-14, 4, fmt.Sprintf("%g mm", wing))
	}
}

func tally(p *pen) {
	p.size(180, 180)
	for i := range 13 {
		y := float64(i) * 15
		p.line(0, y, 180, y)
	}
	for _, x := range []float64{0, 50, 150, 180} {
		p.line(x, 0, x, 180)
	}
	p.word(25, 9, 4, p.say("what"))
	p.word(100, 9, 4, p.say("strokes"))
	p.word(165, 9, 4, p.say("sum"))
}

func chart(p *pen) {
	p.size(180, 180)
	p.box(0, 0, 180, 180)
	p.line(90, 0, 90, 180)
	p.line(0, 18, 180, 18)
	for y := 34.0; y < 180; y += 12 {
		p.thin(3, y, 87, y)
		p.thin(93, y, 177, y)
	}
}

func jarScale(p *pen) {
	p.size(120, 160)
	for _, x := range []float64{0, 42, 84} {
		p.box(x, 0, 30, 160)
		for i := 0; i <= 150; i++ { // from below: the level rises
			y := 155 - float64(i)
			mark := map[bool]float64{true: 5, false: 3}[i%5 == 0]
			if i%10 == 0 {
				mark = 8
				p.word(x+14, y+1, 3.5, fmt.Sprint(i))
			}
			p.line(x, y, x+mark, y)
		}
		p.word(x+23, 8, 3, "mm")
	}
}

// sundial draws the face of an equatorial sundial: the hours stand 15° apart at every
// place on earth, and its stick points along the axis of the earth.
func sundial(p *pen) {
	const r = 75.0
	p.size(2*r+10, 2*r+10)
	x, y := r+5, r+5
	p.circle(x, y, r)
	p.circle(x, y, 2)
	for hour := 4; hour <= 20; hour++ {
		angle := 270 - float64(hour-12)*15 // noon below, where the face is low
		from, to := at(x, y, 12, angle), at(x, y, r-9, angle)
		p.line(from[0], from[1], to[0], to[1])
		q := at(x, y, r-5, angle)
		p.word(q[0], q[1]+1.5, 4, fmt.Sprint(hour))
	}
}

func circles(p *pen) {
	p.size(184, 166)
	for _, c := range [][3]float64{{50, 50, 100}, {144, 50, 80}, {30, 134, 60}, {94, 134, 40}} {
		p.circle(c[0], c[1], c[2]/2)
		p.line(c[0]-2, c[1], c[0]+2, c[1])
		p.line(c[0], c[1]-2, c[0], c[1]+2)
		p.word(c[0], c[1]+8, 4, fmt.Sprintf("%g mm", c[2]))
	}
}

func wedge(p *pen) {
	const r = 180.0
	end := at(0, 40, r, 10)
	p.size(r+2, 44)
	p.line(0, 40, r, 40)
	p.line(0, 40, end[0], end[1])
	p.arc(0, 40, r, 0, 10)
	p.word(150, 32, 4, "10°")
}

func chamber(p *pen) {
	p.size(180, 170)
	p.box(0, 0, 180, 110)
	p.line(90, 0, 90, 110)
	p.fold(88, 0, 88, 110)
	p.fold(92, 0, 92, 110)
	for i := range 6 { // a row a look
		y := 118 + float64(i)*8
		p.line(0, y, 180, y)
	}
	for _, x := range []float64{0, 30, 80, 130, 180} {
		p.line(x, 118, x, 158)
	}
	p.word(15, 123.5, 3.5, p.say("look"))
	p.word(55, 123.5, 3.5, p.say("left"))
	p.word(105, 123.5, 3.5, p.say("right"))
	p.word(155, 123.5, 3.5, p.say("between"))
}

func colours(p *pen) {
	p.size(180, 150)
	for i := range 12 {
		x, y := float64(i%4)*46, float64(i/4)*50
		p.box(x, y, 40, 30)
		p.thin(x, y+42, x+40, y+42)
	}
}
