package e2e

import (
	"fmt"
	"testing"
)

// A teacher copies a class, finds a home in it by what its note says, puts it into both
// classes, changes the language of two homes at once; the guardian's one phone opens both
// homes and goes from one to the other.
func TestOnePhoneTwoClasses(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	class := evaluate[string](p, `fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
		c.items.find((x) => x.name === '7M').id)`)
	p.open(demo.base + "/classes/" + class)
	p.press("Copy without homes")
	p.writes("Name of the new class", "8M")
	p.press("Make it")
	p.sees("Class 8M")
	p.sees("no homes yet")

	p.open(demo.base + "/classes/" + class)
	p.writes("Find", "fern")
	p.seesNot("Bracken")
	p.press("Fern")
	p.sees("Another class")
	p.chooses("Class", "8M")
	p.press("Also there")
	p.sees("Fern is in 8M")
	p.violations("a home in two classes")
	p.until("two homes chosen", `(() => { const f = document.querySelector('#find-home');
		Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(f, '');
		f.dispatchEvent(new Event('input', {bubbles: true}));
		for (const n of ['Bracken', 'Dunlin']) {
			const b = document.querySelector('input[aria-label="Choose ' + n + '"]'); if (!b) return false;
			if (!b.checked) b.click(); } return true; })()`)
	p.sees("2 homes chosen:")
	p.fits("homes chosen")
	p.violations("homes chosen")
	p.chooses("Write to them in", "Español")
	p.sees("2 homes changed")

	link := func(of string) string {
		return evaluate[string](p, fmt.Sprintf(`fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
			fetch('/api/v1/classes/' + c.items.find((x) => x.name === %q).id + '/invitations')).then((r) =>
			r.json()).then((i) => i.items.find((x) => x.nickname === 'Fern').link)`, of))
	}
	first, second := link("7M"), link("8M")
	phone := tab(t, 390, 844)
	phone.open(first)
	phone.press("Go on")
	phone.until("past the welcome", `!document.body.innerText.includes('Which language?')`)
	phone.open(second)
	phone.press("Go on")
	phone.sees("Also on this phone")
	phone.press("7M · Fern")
	phone.until("the list of the first home, with the other one", `(() => { // it opens where it was left
		if (document.body.innerText.includes('8M · Fern')) return true;
		[...document.querySelectorAll('button')].find((b) => b.textContent.trim() === 'Your experiments')?.click();
			return false; })()`)
	phone.fits("two homes on one phone")
	phone.violations("two homes on one phone")
}

// Holidays are said with the class: two days, one of them taken out again, and they are
// there when the page is opened anew.
func TestHolidaysOfAClass(t *testing.T) {
	demo := theDemo(t)
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/classes")
	p.press("7M")
	p.sees("Class 7M")
	p.press("Settings")
	set := func(label string, at int, day string) {
		p.until(fmt.Sprintf("%s %d", label, at), fmt.Sprintf(`(() => {
			const l = [...document.querySelectorAll('label')].filter((x) => x.textContent.trim() === %q)[%d];
				if (!l) return false;
			Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set.call(l.control, %q);
			l.control.dispatchEvent(new Event('input', {bubbles: true})); return true; })()`, label, at, day))
	}
	p.press("Add holidays")
	set("First day", 0, "2026-12-21")
	set("Last day", 0, "2026-12-20")
	p.press("Save")
	p.sees("each with its last day not before its first")
	set("Last day", 0, "2027-01-03")
	p.press("Add holidays")
	set("First day", 1, "2027-02-15")
	set("Last day", 1, "2027-02-19")
	p.violations("holidays")
	// Another window changes the class meanwhile: what is typed here stays, and is saved beside it.
	days := func(n int) {
		evaluate[bool](p, fmt.Sprintf(`fetch('/api/v1/classes').then((r) => r.json()).then((c) => {
			const {id, version, homes, $schema, ...f} = c.items.find((x) => x.name === '7M');
			return fetch('/api/v1/classes/' + id, {method: 'PUT',
				headers: {'Content-Type': 'application/json', 'If-Match': String(version)},
				body: JSON.stringify({...f, photo_days: %d})}); }).then((r) => r.ok)`, n))
	}
	days(31)
	p.until("the other window's change arrives", `(document.dispatchEvent(new Event('visibilitychange')),
		document.getElementById('photo_days').value === '31')`)
	p.until("what was typed stays", `[...document.querySelectorAll('input[type=date]')].map((x) => x.value).join(' ').
		includes('2026-12-21 2027-01-03 2027-02-15 2027-02-19')`)
	p.press("Save")
	p.until("it is saved", `fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
		c.items.find((x) => x.name === '7M').holidays?.length === 2)`)
	p.open(demo.base + "/classes")
	p.press("7M")
	p.sees("Class 7M")
	p.press("Settings")
	p.press("Remove")
	p.press("Save")
	p.until("one is left", `fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
		JSON.stringify(c.items.find((x) =>
			x.name === '7M').holidays) === '[{"first":"2027-02-15","last":"2027-02-19"}]')`)
	p.press("Settings")
	p.press("Remove")
	p.press("Save")
	p.until("none is left", `fetch('/api/v1/classes').then((r) => r.json()).then((c) =>
		!c.items.find((x) => x.name === '7M').holidays?.length)`)
	days(30) // as it was
}
