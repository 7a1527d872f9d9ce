package e2e

import (
	"fmt"
	"testing"
)

// changes lets a script change the draft of an experiment.
func (p *page) changes(experiment, script string) {
	p.t.Helper()
	if status := evaluate[float64](p, fmt.Sprintf(`fetch('/api/v1/experiments/%s').then((r) => r.json()).then((d) =>
		{ ((d) => { %s })(d.document);
		return fetch('/api/v1/experiments/%s',
			{method: 'PUT', headers: {'Content-Type': 'application/json', 'If-Match': String(d.version)},
			body: JSON.stringify({document: d.document})}); }).then((r) => r.status)`, experiment, script,
		experiment)); status != 200 {
		p.t.Fatalf("the draft was not changed: %v", status)
	}
}

// A version is issued, the draft goes on, and what differs is read place by place: beside
// the draft, before the next issue, and by the families that had the one before, who are
// told what is other. A version can be taken back into the draft, and that undone.
func TestVersionsAreCompared(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := made(p, soaked)
	if status := issued(p, id); status != 200 {
		t.Fatalf("it is not issued: %v", status)
	}
	p.changes(id, `d.steps[1].text = {en: 'Stir the salt in and weigh both after two hours.', es: 'Añade la sal y pesa los dos después de dos horas.'}; d.needs[1].amount = '20 g'`)
	p.open(demo.base + "/experiments/" + id + "/plan")
	p.press("Versions")
	p.sees("version 1 · ")
	p.sees("after two hours")
	p.sees("18 g")
	p.fits("versions")
	p.violations("versions")
	p.press("Take version 1 back into the draft")
	p.sees("They say the same.")
	p.press("Undo")
	p.sees("after two hours")

	p.open(demo.base + "/experiments/" + id + "/issue")
	p.sees("What changed since version 1: 3 places")
	p.violations("issue of a second version")
	if status := issued(p, id); status != 200 {
		t.Fatalf("the second version is not issued: %v", status)
	}
	p.open(demo.base + "/experiments/" + id + "/plan")
	p.press("Versions")
	p.sees("Families that had the one before are told: Steps: 2 Weigh both. Things: table salt, 20 g.")

	kestrel := tab(t, 390, 844)
	kestrel.open(p.invited("Kestrel"))
	kestrel.press("Seguir")
	kestrel.until("the newer one", `(() =>
		{ const b = [...document.querySelectorAll('button.choice')].find((b) =>
		b.textContent.includes('Arroz en remojo')); if (!b) return false; b.click(); return true; })()`)
	kestrel.sees("Nuevo desde la versión 1: Pasos: 2 Pesa los dos. Cosas: sal de mesa, 20 g.")
	kestrel.fits("what is new")
	kestrel.violations("what is new")
}
