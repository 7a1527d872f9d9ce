// Package browser starts a headless Chromium for the tests of the interface
// and for taking the pictures in docs/screenshots.
//
// It must not know any page. Start reading at [Start].
package browser

import (
	"context"
	"errors"
	"fmt"
	"os"
	"os/exec"
	"time"

	"github.com/chromedp/chromedp"
)

// ErrMissing says that there is no Chromium.
var ErrMissing = errors.New(
	"Chromium is not installed here; on Debian: apt-get install chromium, or name it in CHROMIUM",
)

const (
	startWithin = 30 * time.Second // a cold start on a loaded machine takes 5
	closeWithin = 15 * time.Second
)

// Start starts a browser with a profile of its own, closed by cancel. Each
// call of chromedp.NewContext on the context opens a tab in it; [Apart] opens one
// that shares nothing with the others. A browser that does not come up is tried
// once more; one that does not close is killed, so that no test waits for a browser
// for ever.
func Start(parent context.Context) (ctx context.Context, cancel func(), err error) {
	options, err := options()
	if err != nil {
		return nil, nil, err
	}
	for range 2 {
		alloc, stop := chromedp.NewExecAllocator(parent, options...)
		tab, closeTab := chromedp.NewContext(alloc)
		end := func() {
			if !within(closeWithin, func() { closeTab(); stop() }) {
				kill(tab)
			}
		}
		if err = open(tab); err == nil {
			return tab, end, nil
		}
		end()
	}
	return nil, nil, err
}

// open makes what the context stands for: a browser with a tab, or a tab.
func open(tab context.Context) error {
	up := make(chan error, 1)
	if within(startWithin, func() { up <- chromedp.Do(tab) }) {
		return <-up
	}
	return fmt.Errorf("the browser did not answer within %v", startWithin)
}

// Apart opens a tab of a running browser that has cookies, caches, stored data and
// workers of its own, as another person's phone has, in a tenth of the time that a
// browser takes to start. Cancel closes the tab and forgets what it kept.
func Apart(running context.Context) (ctx context.Context, cancel func(), err error) {
	tab, closeTab := chromedp.NewContext(running, chromedp.WithNewBrowserContext())
	end := func() { within(closeWithin, closeTab) }
	if err := open(tab); err != nil {
		end()
		return nil, nil, err
	}
	return tab, end, nil
}

// within reports whether f ended in time.
func within(limit time.Duration, f func()) bool {
	done := make(chan struct{})
	go func() { f(); close(done) }()
	select {
	case <-done:
		return true
	case <-time.After(limit):
		return false
	}
}

func kill(tab context.Context) {
	if c := chromedp.FromContext(tab); c != nil && c.Browser != nil && c.Browser.Process() != nil {
		_ = c.Browser.Process().Kill()
	}
}

func options() ([]chromedp.ExecAllocatorOption, error) {
	path := os.Getenv("CHROMIUM")
	for _, name := range []string{"chromium", "chromium-browser", "google-chrome"} {
		if path == "" {
			path, _ = exec.LookPath(name)
		}
	}
	if path == "" {
		return nil, ErrMissing
	}
	options := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.ExecPath(path), chromedp.DisableGPU, chromedp.NoFirstRun,
		chromedp.Flag("disable-background-networking", true), chromedp.Flag("disable-component-update", true),
		chromedp.Flag("disable-sync", true), chromedp.Flag("disable-quic", true), chromedp.Flag("lang", "en"),
		chromedp.Flag("disable-dev-shm-usage", true))
	if os.Getuid() == 0 {
		options = append(options, chromedp.NoSandbox)
	}
	return options, nil
}
