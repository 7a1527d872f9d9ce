package e2e

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/chromedp/chromedp"
)

// A Spanish office's list comes in as it is: Latin-1, its own heads, surnames, a third
// home language and a break inside a cell. The teacher says what one column is, sees
// every home before it is added, and finds what no field holds in the note.
func TestASchoolsOwnList(t *testing.T) {
	demo := theDemo(t)
	file := filepath.Join(t.TempDir(), "alumnos.csv")
	latin := "Apellidos;Alumno/a;Tutor/a;Idioma en casa;Correo electr\xf3nico;Ruta\r\nPe\xf1a;\xcd\xf1igo;\"Sra. " +
		"Pe\xf1a\r\n(tardes)\";euskera;i@home.example;4\r\nSoto;Cai;Sr. Soto;espa\xf1ol;;2\r\n"
	if err := os.WriteFile(file, []byte(latin), 0o600); err != nil {
		t.Fatal(err)
	}
	p := tab(t, 1280, 800)
	p.signIn(demo.base)
	p.open(demo.base + "/classes")
	p.press("New class")
	p.writes("Name", "6C")
	p.press("Make the class")
	p.sees("Nicknames, one a line")
	p.do(chromedp.SetUploadFiles(chromedp.CSS(`input[type=file]`), []string{file}))
	p.sees("What the columns are")
	p.sees("2 of 2 lines can be taken.")
	p.sees("Tutor/a: Sra. Peña (tardes); Ruta: 4; home language: euskera")
	p.seesNot("Apellidos: Peña")
	p.chooses("Ruta", "leave this out")
	p.until("the note without the route", `!document.body.innerText.includes('Ruta: 4')`)
	p.violations("a list before it is added")
	p.fits("a list before it is added")
	p.press("Add 2 homes")
	p.sees("2 homes added")
	p.press("Íñigo")
	p.until(
		"the note of the home",
		`document.querySelector('#note')?.value === 'Tutor/a: Sra. Peña (tardes); home language: euskera'`,
	)
	p.until("its mail", `document.querySelector('#contact')?.value === 'i@home.example'`)
}
