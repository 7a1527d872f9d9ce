package sentence

import (
	"strings"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
)

// pegWords are the words with which a line hangs a peg on the step at hand, by language.
var pegWords = load[map[string]map[Peg][]string]("pegs.json")

// Noted is what a line adds.
type Noted struct {
	Words text.Message // what it is
	Peg   Peg          // "" for a step of its own
	Step  string       // id of the step that it is, or that it hangs on
	At    string       // where it is worked out further, as a JSON Pointer or the step's id
}

// Note reads one line of what happens next and puts it behind a step (-1: at the
// beginning): what begins with the word of a peg hangs on that step, everything else is a
// step of its own, with what the sentence says taken over. Nothing typed is lost: what is
// not understood stands in the step's text.
func Note(d *design.Document, behind int, line, language string) (Noted, bool) {
	line = strings.TrimSpace(line)
	if line == "" || len(line) > MostSigns || behind < -1 || behind >= len(d.Steps) {
		return Noted{}, false
	}
	if peg, rest := pegOf(line, language); peg != "" && behind >= 0 {
		step := d.Steps[behind].ID
		at, ok := Hang(d, step, peg, rest, language)
		return Noted{Hung(d, behind, peg), peg, step, at}, ok
	}
	s := design.Step{Kind: "do", Title: text.Localized{}, Text: text.Localized{language: sentenceOf(line)}}
	s.ID = fresh(titleOf(line, language), "step", func(id string) bool { _, ok := d.Step(id); return ok })
	d.InsertStep(behind+1, s)
	Take(d, s.ID, "", language)
	n := Noted{Step: s.ID, At: s.ID, Words: text.M("sentence.noted.step", "n", behind+2)}
	var read text.List
	for _, p := range Meant(Of(d), s.Text[language], language, nil) {
		read = append(read, text.M("sentence.noted.piece", "gloss", text.M("sentence.gloss."+string(p.Kind)),
			"words", p.Words))
	}
	if len(read) > 0 {
		n.Words = text.M("sentence.noted.read", "n", behind+2, "list", read)
	}
	return n, true
}

// Hung says what was hung on a step of the design.
func Hung(d *design.Document, step int, peg Peg) text.Message {
	if peg == GatePeg && !d.Steps[step].Gate {
		return text.M("sentence.noted.no-gate", "n", step+1)
	}
	return text.M("sentence.noted."+string(peg), "n", step+1)
}

// pegOf is the peg whose word a line begins with, the longest first, and what comes
// behind it.
func pegOf(line, language string) (found Peg, rest string) {
	longest := 0
	for peg, all := range pegWords[text.Of(language).Code] {
		for _, words := range all {
			n := len(words)
			if n <= longest || len(line) < n || !strings.EqualFold(line[:n], words) {
				continue
			}
			if after := line[n:]; after == "" || strings.ContainsAny(after[:1], " :,.") {
				found, rest, longest = peg, strings.Trim(after, " :,."), n
			}
		}
	}
	return found, rest
}

// sentenceOf is a line as a family reads it: it begins large and ends with a stop.
func sentenceOf(line string) string {
	r := []rune(line)
	words := strings.ToUpper(string(r[:1])) + string(r[1:])
	if strings.ContainsRune(".!?:", r[len(r)-1]) {
		return words
	}
	return words + "."
}
