// Command screenshots takes the pictures in docs/screenshots from a running
// demo. It signs in as the demo's teacher and opens one family's link.
//
//	go run ./cmd/screenshots -base http://127.0.0.1:8080 -family LINK [-only name] [-out docs/screenshots]
package main

import (
	"context"
	"flag"
	"fmt"
	"os"
	"path/filepath"
	"slices"
	"strings"
	"time"

	"github.com/chromedp/chromedp"

	"patient-kitchen/internal/browser"
	"patient-kitchen/internal/demo"
)

type action = chromedp.Action[chromedp.Void]

// shot is one picture: an address, what to do there first, and the window.
type shot struct {
	name  string
	path  string // {e} stands for the strips experiment, {c} for class 7M
	steps []action
	phone bool
}

func click(words string) action {
	return chromedp.Evaluate[chromedp.Void](
		fmt.Sprintf(
			`(() => { const w = %q; const all = [...document.querySelectorAll('button, a, summary')];
				const b = all.find((x) => x.textContent.trim() === w) ??
				all.find((x) => x.textContent.trim().startsWith(w)); if (!b) throw new Error('no button ' + w);
				b.click(); })()`,
			words,
		),
	)
}

func pause(ms int) action { return chromedp.Sleep(time.Duration(ms) * time.Millisecond) }

// extra takes the place of all shots when an address is given.
var extra []shot

func shots() []shot {
	if extra != nil {
		return extra
	}
	return []shot{
		{name: "today", path: "/today"},
		{name: "experiments", path: "/experiments"},
		{name: "plan", path: "/experiments/{e}/plan"},
		{name: "steps", path: "/experiments/{e}/steps?at=hang"},
		{name: "safety", path: "/experiments/{lemon}/safety"},
		{name: "larder", path: "/larder?thing=baking-soda"},
		{name: "print-safety", path: "/print/classes/{c}/experiments/{lemon}/safety"},
		{name: "issue", path: "/experiments/{e}/issue?class={c}"},
		{name: "run", path: "/experiments/{e}/run"},
		{name: "collect", path: "/experiments/{e}/collect"},
		{name: "compare", path: "/experiments/{e}/compare"},
		{
			name:  "kitchens",
			path:  "/experiments/{lemon}/kitchens?class={c}",
			steps: []action{chromedp.Click(chromedp.CSS("button.cell[aria-label^='Fern, baking soda']")), pause(900)},
		},
		{name: "levels", path: "/experiments/{sugar}/compare"},
		{name: "workbench", path: "/workbench?ask=cooling"},
		{name: "family-permission", phone: true, steps: []action{click("Go on"), pause(500)}},
		{
			name:  "family-ready",
			phone: true,
			steps: []action{
				chromedp.Click(chromedp.CSS("#under-4-no")),
				chromedp.Click(chromedp.CSS("#photos")),
				chromedp.SendKeys(chromedp.CSS("#guardian"), "A. Gorsby"),
				click("We agree, begin"),
				pause(900),
			},
		},
		{
			name:  "family-step",
			phone: true,
			steps: []action{
				click("9 still to fetch"),
				pause(500),
				click("This is my order"),
				chromedp.SendKeys(chromedp.CSS("#question-why"), "it is the softest"),
				pause(200),
				click("Save. It cannot"),
				pause(900),
				click("Begin"),
				pause(300),
				click("Done, next"),
				pause(300),
				click("Done, next"),
				pause(300),
				click("Done, next"),
				pause(300),
				click("Done, next"),
				pause(1200),
			},
		},
		{
			name:  "family-reading",
			phone: true,
			steps: []action{
				click("We did not wait"),
				pause(500),
				type_("reading-height/printer/1 min/1", "5 mm"),
				type_("reading-height/newspaper/1 min/1", "8.5"),
				type_("reading-height/filter/1 min/1", "12 cm"),
				type_("reading-height/towel/1 min/1", "3/4 in"),
				pause(1200),
			},
		},
		{
			name:  "family-went-wrong",
			phone: true,
			steps: []action{
				click("Something went wrong"),
				pause(400),
				click("Someone is hurt"),
				pause(300),
				click("Burn or scald"),
				pause(500),
			},
		},
	}
}

// type_ writes into a field by its id and keeps the value.
func type_(id, text string) action {
	sel := chromedp.CSS(fmt.Sprintf(`[id=%q]`, id))
	return chromedp.Steps(chromedp.SendKeys(sel, text+"\n"), pause(250))
}

func main() {
	base := flag.String("base", "http://127.0.0.1:8080", "address of the running demo")
	family := flag.String("family", "", "link of a family that has not begun")
	only := flag.String("only", "", "names with commas between; others are gone through but not kept")
	out := flag.String("out", "docs/screenshots", "folder for the pictures")
	full := flag.Bool("full", false, "the whole page, not only the window")
	path := flag.String("path", "", "one picture more: this address of the teacher's pages, kept as extra.png")
	flag.Parse()
	if *path != "" {
		extra = []shot{{name: "extra", path: *path}}
	}
	if err := take(*base, *family, *only, *out, *full); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

func take(base, family, only, out string, full bool) error {
	ctx, cancel, err := browser.Start(context.Background())
	if err != nil {
		return err
	}
	defer cancel()
	ctx, stop := context.WithTimeout(ctx, 4*time.Minute)
	defer stop()
	if err := chromedp.Do(ctx, chromedp.EmulateViewport(1280, 800), chromedp.Navigate(base+"/sign-in"),
		chromedp.SendKeys(chromedp.CSS("#email"), demo.Email),
		chromedp.SendKeys(chromedp.CSS("#password"), demo.Password+"\n"),
		chromedp.WaitVisible(chromedp.CSS(".rail"))); err != nil {
		return err
	}
	ids, err := chromedp.Run(
		ctx,
		chromedp.Evaluate[struct{ Experiment, Class, Lemon, Sugar string }](
			`Promise.all(['assignments', 'experiments'].map((x) =>
				fetch('/api/v1/' + x).then((r) => r.json()))).then(([a, e]) =>
				[a.items.find((x) => x.title === 'Paper strips'), e]).then(([a, e]) =>
				({Experiment: a.experiment, Class: a.class, Lemon: e.items.find((x) => x.title === 'Sour lemon').id,
				Sugar: e.items.find((x) => x.title === 'Vanishing sugar').id}))`,
			chromedp.EvalAwaitPromise,
		),
	)
	if err != nil {
		return err
	}
	opened := false
	for _, s := range shots() {
		wanted := only == "" || strings.Contains(","+only+",", ","+s.name+",")
		if s.phone && family == "" || !s.phone && !wanted {
			continue
		}
		if s.phone && !opened {
			if err := chromedp.Do(ctx, chromedp.EmulateViewport(390, 844, chromedp.EmulateMobile),
				chromedp.Navigate(family), chromedp.WaitVisible(chromedp.CSS(".went-wrong")), pause(700)); err != nil {
				return err
			}
			opened = true
		}
		actions := slices.Clone(s.steps)
		if !s.phone {
			path := strings.NewReplacer("{e}", ids.Experiment, "{c}", ids.Class, "{lemon}", ids.Lemon, "{sugar}",
				ids.Sugar).Replace(s.path)
			actions = append([]action{chromedp.Navigate(base + path), pause(1400)}, actions...)
		}
		if err := chromedp.Do(ctx, actions...); err != nil {
			return fmt.Errorf("%s: %w", s.name, err)
		}
		picture := chromedp.CaptureScreenshot()
		if full {
			picture = chromedp.FullScreenshot(100)
		}
		png, err := chromedp.Run(ctx, picture)
		if err != nil {
			return fmt.Errorf("%s: %w", s.name, err)
		}
		if wanted {
			if err := os.WriteFile(filepath.Join(out, s.name+".png"), png, 0o644); err != nil {
				return err
			}
		}
	}
	return nil
}
