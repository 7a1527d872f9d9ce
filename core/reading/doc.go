// Package reading is what a typed reading means where it was typed: its value
// in the unit that was asked, how sure it is, what to ask back and what to look
// at once more.
//
// It runs on the server, at the command line and on the family's phone, and is
// kept small for that: it knows no design, no materials and no notebook. Start
// reading at [Understand].
package reading
