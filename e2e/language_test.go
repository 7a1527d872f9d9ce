package e2e

import (
	"fmt"
	"testing"
)

// A teacher whose language is Spanish chooses it once; then every page, the
// server's words and the dates on it are in Spanish, and nothing is left of
// codes, holes or values without words.
func TestTeacherInSpanish(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/account")
	p.chooses("Language of your pages", "Español")
	p.sees("Idioma de sus páginas")
	p.open(demo.base + "/experiments")
	p.sees("¿Qué papel sube más el agua en 8 minutos?")
	base := evaluate[string](
		p,
		`[...document.querySelectorAll('a')].find((a) => a.textContent === 'Tiras de papel').href.replace(/plan$/, '')`,
	)
	for path, words := range map[string]string{
		"/today": "En este orden", "/larder": "Buscar por cualquier nombre", "/classes": "Clase nueva",
		"/workbench?ask=pendulum": "Ejemplo resuelto. Escriba encima.", "/help": "Teclas",
	} {
		base := demo.base + path
		p.open(base)
		p.sees(words)
		p.wholeWords(path)
	}
	for station, words := range map[string]string{
		"plan": "Cada una se prueba", "steps": "El procedimiento a escala de tiempo",
		"safety": "Lo que leerá la persona responsable", "kitchens": "Un punto significa como está diseñado",
		"issue": "A quién y cuándo", "run": "han enviado su trabajo", "collect": "piden una mirada.",
		"compare": "Los datos lo apoyan",
	} {
		p.open(base + station)
		if station != "issue" {
			p.sees(words)
		}
		p.wholeWords(station)
		p.fits(station)
	}
	p.open(base + "compare")
	p.sees("dispersión entre casas")
	p.violations("Compare in Spanish")

	// An experiment of one's own begins in the teacher's language, and what is wrong
	// with a formula is said in it.
	p.open(demo.base + "/experiments")
	p.press("Empezar de cero")
	p.sees("Sin título")
	p.open(evaluate[string](p, `location.origin + location.pathname.replace(/plan$/, 'steps')`))
	p.press("Añadir un valor")
	p.writes("Fórmula", "altura / 2")
	p.sees("«altura» no es una medida ni un valor de este experimento")
}

// wholeWords looks for what a missing word leaves behind.
func (p *page) wholeWords(where string) {
	p.t.Helper()
	left := evaluate[[]string](
		p,
		`(document.body.innerText.match(/\{\{|\[[a-z]+\.[a-z.-]+\]|\bundefined\b|\bfalse\b|\bnull\b|\bNaN\b|\b[a-z][A-Za-z]+\.[a-z]+-[a-z-]+\b|<\d>/g) ?? [])`,
	)
	if len(left) > 0 {
		p.t.Errorf("%s shows %s", where, fmt.Sprint(left))
	}
}
