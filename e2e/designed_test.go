package e2e

import (
	"fmt"
	"strings"
	"testing"

	"github.com/chromedp/chromedp"
	"github.com/chromedp/chromedp/kb"
)

// answers types an answer to what a step's words leave open, where the margin or the list
// leads to it.
func (h *hand) answers(step, question, typed string) {
	h.t.Helper()
	h.presses(step)
	h.sees(question)
	h.acts++
	h.signs += len([]rune(typed))
	h.do(chromedp.SendKeys(chromedp.CSS(".sentence-question input"), typed+kb.Enter))
	h.until("the question gone", `!document.querySelector('.sentence-question')`)
}

// TestDesignsWithoutANumber: an order by ear and counts of where things are over three
// looks, from nothing to issued, in at most 40 clicks and fields and 700 signs each, with
// mistakes on the way: zones that are not named, a stir without a speed, which the margin
// says and mends.
func TestDesignsWithoutANumber(t *testing.T) {
	demo := theDemo(t)
	for _, c := range []struct {
		title, question, changed, lanes string
		steps                           []string
		open                            [3]string // a step that leaves something open, what it asks, the answer
		margin, mend                    string
	}{
		{
			"Straw pipes", "Which straw sounds highest?", "the length", "A 6 cm, B 9 cm, C 12 cm, D 15 cm",
			[]string{
				"Cut four paper straws to 6 cm, 9 cm, 12 cm and 15 cm.", "Stir the water.",
				"Blow across the top of each straw.",
				"Put the straws in order from highest to lowest.", "Throw the straws away.",
			},
			[3]string{},
			"says no speed", "Once a second",
		},
		{
			"Snail walk", "Where do snails like to be?", "", "",
			[]string{
				"Put lettuce and oats on the plate.", "Put 8 snails in the middle of the plate.",
				"Count where the snails are after 5, 15 and 30 minutes.",
				"Put the snails back where you found them and wash your hands.",
			},
			[3]string{"Count where", "in which places?", "lettuce, oats"},
			"", "",
		},
	} {
		h := &hand{page: tab(t, 1280, 800)}
		h.signIn(demo.base)
		h.open(demo.base + "/experiments")
		h.presses("Begin from nothing")
		h.fills("Question", c.question)
		h.fills("It is called", c.title)
		if c.lanes != "" {
			h.fills("We change", c.changed)
			h.fills("In one line", c.lanes)
			h.presses("Put them in")
			h.sees("Put conditions in · Undo")
		}
		h.presses("Ask for a prediction")
		h.sees("Ask for a prediction · Undo")
		h.presses("Materials and steps")
		h.presses("Add a step")
		for _, s := range c.steps {
			h.says(s)
		}
		h.until("the next sentence", `document.activeElement?.matches('.sentence textarea') && document.activeElement.value === ''`)
		h.do(chromedp.KeyEvent(kb.Escape))
		h.sees("Saved")
		if c.open[0] != "" {
			h.answers(c.open[0], c.open[1], c.open[2])
			h.sees("Saved")
		}
		if c.margin != "" {
			h.sees(c.margin)
			h.presses(c.mend)
			h.until("the mend carried out", fmt.Sprintf(`!document.querySelector('.margin').innerText.includes(%q)`,
				c.margin))
		}
		h.presses("Issue")
		h.sees("Nothing is in the way.")
		h.acts++
		h.chooses("Class", "7M · 24 homes")
		h.presses("Issue version 1 to 24 homes")
		h.presses("Issue it")
		h.sees(c.title + " issued to 7M")
		t.Logf("%s, from nothing to issued: %d clicks and fields (most 40), %d signs (most 700)", c.title, h.acts,
			h.signs)
		if h.acts > 40 || h.signs > 700 {
			t.Errorf("%s takes %d clicks and fields and %d signs", c.title, h.acts, h.signs)
		}
	}
}

// TestNotJudged: while the server does not answer the margin keeps its last words and says
// since when nothing was judged; once it answers, it is judged by itself.
func TestNotJudged(t *testing.T) {
	demo := theDemo(t)
	line := newProxy(t, strings.TrimPrefix(demo.base, "http://"))
	p := tab(t, 1280, 800)
	p.signIn(line.base())
	p.open(line.base() + "/experiments")
	p.press("Begin from nothing")
	p.writes("Question", "Half told?")
	p.writes("It is called", "Half told")
	p.until("it is judged", `!document.querySelector('.margin').innerText.includes('no title')`)
	line.cut()
	p.writes("It is called", "Half told once more")
	p.sees("Not judged since")
	p.sees("the server did not answer")
	p.until("the last words stay", `document.querySelectorAll('.margin li').length === 6`)
	line.heal()
	p.until("it is judged again", `!document.querySelector('.margin').innerText.includes('Not judged')`)
}
