package sentence

import "patient-kitchen/core/design"

// Book is a design whose texts are read once, for whoever asks several things of them.
type Book struct {
	d     *design.Document
	world World
	read  map[page][]Piece
}

// page is the text of a step in a language.
type page struct {
	step     int
	language string
}

// Open gives the book of a design as it is now; it does not follow changes.
func Open(d *design.Document) *Book { return &Book{d, Of(d), map[page][]Piece{}} }

// Pieces are what the text of a step, by its place, says in a language.
func (b *Book) Pieces(step int, language string) []Piece {
	at := page{step, language}
	pieces, done := b.read[at]
	if !done {
		s := &b.d.Steps[step]
		pieces = Meant(b.world, s.Text[language], language, s.Plain)
		b.read[at] = pieces
	}
	return pieces
}
