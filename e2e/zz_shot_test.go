package e2e

import (
	"os"
	"testing"
	"time"

	"github.com/chromedp/chromedp"
)

func shot(p *page, name string) {
	b, _ := chromedp.Run(p.ctx, chromedp.CaptureScreenshot())
	os.WriteFile("/tmp/shots/"+name+".png", b, 0o644)
}

func TestZZShot(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/account")
	p.chooses("Language of your pages", "Español")
	p.sees("Idioma de sus páginas")
	p.open(demo.base + "/larder?by=swaps")
	p.sees("Buscar por cualquier nombre")
	time.Sleep(time.Second)
	shot(p, "larder-swaps")
	p.open(demo.base + "/larder?thing=vinegar-white")
	time.Sleep(time.Second)
	shot(p, "larder-thing")
	p.open(demo.base + "/workbench?ask=fizz")
	time.Sleep(2 * time.Second)
	shot(p, "workbench")
	p.open(demo.base + "/workbench?ask=photo-length")
	time.Sleep(2 * time.Second)
	shot(p, "workbench2")
}
