// Package browser starts a headless Chromium for the tests of the interface
// and for taking the pictures in docs/screenshots.
//
// It must not know any page. Start reading at [Start].
package browser

import (
	"context"
	"errors"
	"os"
	"os/exec"

	"github.com/chromedp/chromedp"
)

// ErrMissing says that there is no Chromium.
var ErrMissing = errors.New("Chromium is not installed here; on Debian: apt-get install chromium, or name it in CHROMIUM")

// Start starts a browser with a profile of its own, closed by cancel. Each
// call of chromedp.NewContext on the context opens a tab in it.
func Start(parent context.Context) (ctx context.Context, cancel func(), err error) {
	path := os.Getenv("CHROMIUM")
	for _, name := range []string{"chromium", "chromium-browser", "google-chrome"} {
		if path == "" {
			path, _ = exec.LookPath(name)
		}
	}
	if path == "" {
		return nil, nil, ErrMissing
	}
	options := append(chromedp.DefaultExecAllocatorOptions[:],
		chromedp.ExecPath(path), chromedp.DisableGPU, chromedp.NoFirstRun,
		chromedp.Flag("disable-background-networking", true), chromedp.Flag("disable-component-update", true),
		chromedp.Flag("disable-sync", true), chromedp.Flag("disable-quic", true), chromedp.Flag("lang", "en"),
		chromedp.Flag("disable-dev-shm-usage", true))
	if os.Getuid() == 0 {
		options = append(options, chromedp.NoSandbox)
	}
	alloc, stop := chromedp.NewExecAllocator(parent, options...)
	ctx, cancelTab := chromedp.NewContext(alloc)
	if err := chromedp.Do(ctx); err != nil {
		stop()
		return nil, nil, err
	}
	return ctx, func() { cancelTab(); stop() }, nil
}
