package e2e

import (
	"fmt"
	"strings"
	"testing"
)

// TestSeeAsAFamily: a draft is tried on the phone beside it, in both languages, at the step
// that is written; what is entered goes nowhere, and what is changed is shown.
func TestSeeAsAFamily(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	id := evaluate[string](p, `fetch('/api/v1/experiments').then((r) => r.json()).then((l) =>
		l.items.find((e) => e.title === 'Thirsty beans').id)`)
	inside := func(words string) {
		t.Helper()
		p.until("on the phone: "+words,
			fmt.Sprintf(`(document.querySelector('iframe')?.contentDocument?.body?.innerText ?? '').includes(%q)`,
				words))
	}
	press := func(words string) {
		t.Helper()
		p.until("on the phone a button "+words, fmt.Sprintf(`(() =>
			{ const b = [...(document.querySelector('iframe')?.contentDocument?.querySelectorAll('button, a') ??
			[])].find((x) => x.textContent.includes(%q)); b?.click(); return Boolean(b); })()`, words))
	}
	p.open(demo.base + "/experiments/" + id + "/steps?at=weigh")
	p.press("See as a family")
	inside("Practice: nothing is kept or sent.")
	inside("Weigh the dry beans")
	p.until("it is answered whether a child is there", `(() => {
		const l = [...(document.querySelector('iframe').contentDocument.querySelectorAll('label'))].
			find((l) => l.textContent.trim() === 'No'); l?.click(); return Boolean(l); })()`)
	const fields = `document.querySelector('iframe').contentDocument.querySelectorAll('input[inputmode], input[type=text]')`
	p.until("a field of each condition", fields+`.length === 3`)
	press("Done, next") // what is weighed after the soak is compared with it
	inside("Measure now:")
	evaluate[bool](p, `(() => { const f = `+fields+`[0]; f.focus();
		Object.getOwnPropertyDescriptor(f.ownerDocument.defaultView.HTMLInputElement.prototype, 'value').set.call(f,
			'41 g'); f.dispatchEvent(new f.ownerDocument.defaultView.Event('input', {bubbles: true})); f.form.requestSubmit();
			return true; })()`)
	inside("41")
	press("Done, next") // it was said: who goes on without the others may
	inside("Step 3 of 5")
	press("Back")
	inside("Weigh the dry beans")
	p.chooses("On the phone in", "Español")
	inside("Ensayo: nada se guarda ni se envía.")
	inside("Pesar los frijoles secos")

	// A change is shown as soon as it is saved.
	p.writes("What families read first", "Weigh every bean")
	p.chooses("On the phone in", "English")
	inside("Weigh every bean")
	p.violations("the draft as a family has it")

	// A home has it with its own kitchen, on the phone and on paper; what it lacks is said there.
	p.open(demo.base + "/experiments/" + id + "/steps")
	p.chooses("Looked at with", "7M")
	p.press("See as a family")
	inside("Getting ready")
	p.chooses("Home in 7M", "Dunlin")
	inside("drinking glass")
	paper := evaluate[string](p, `fetch([...document.querySelectorAll('a')].find((a) =>
		a.textContent === 'what is needed').href).then((r) => r.text())`)
	if !strings.Contains(paper, "Dunlin") || !strings.Contains(paper, "drinking glass") {
		t.Errorf("on paper for Dunlin: %.2000s", paper)
	}
	p.chooses("Home in 7M", "Kestrel") // who speaks Spanish
	inside("Ensayo: nada se guarda ni se envía.")
	inside("vaso")

	// Nothing of it is anywhere: the experiment is not issued, and no home has an entry.
	if n := evaluate[int](p, fmt.Sprintf(`fetch('/api/v1/assignments').then((r) => r.json()).then((l) =>
		l.items.filter((a) => a.experiment === %q).length)`, id)); n != 0 {
		t.Errorf("trying it made %d assignments", n)
	}
	// The page is shown within the teacher's own alone, and to nobody else.
	if status := evaluate[int](p, fmt.Sprintf(`fetch('/api/v1/session', {method: 'DELETE'}).then(() =>
		fetch('/api/v1/experiments/%s/practice')).then((r) => r.status)`, id)); status != 401 {
		t.Errorf("a stranger tries it: %d", status)
	}
	if csp := evaluate[string](p, fmt.Sprintf(`fetch('/practice/%s').then((r) =>
		r.headers.get('Content-Security-Policy'))`, id)); !strings.Contains(csp, "frame-ancestors 'self'") {
		t.Errorf("its policy is %q", csp)
	}
}
