package app

import (
	"context"
	"encoding/csv"
	"errors"
	"fmt"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/words"
)

// RosterLine is one line of a pasted list or CSV file as it was read.
type RosterLine struct {
	Line    int        `json:"line" doc:"From 1"`
	Text    string     `json:"text"`
	Home    HomeFields `json:"home"`
	Problem string     `json:"problem,omitempty" doc:"Why the line cannot be taken, and how to mend it"`
}

// maxRoster is the most homes one list may hold.
const maxRoster = 300

// columns of a CSV roster by the heads people write.
var rosterHeads = map[string]string{
	"nickname": "nickname", "home": "nickname", "name": "nickname", "apodo": "nickname", "casa": "nickname",
	"language": "language", "idioma": "language", "lengua": "language", "contact": "contact", "contacto": "contact", "mail": "contact",
	"phone": "phone", "teléfono": "phone", "telefono": "phone", "students": "students", "alumnos": "students", "letters": "letters", "letras": "letters",
}

// ReadRoster reads nicknames one a line, or CSV with comma, semicolon or tab,
// with or without a head. Every line is answered, with its problem if it has
// one; names already in the class are problems too.
func ReadRoster(pasted string, class store.Class, existing []store.Home) []RosterLine {
	pasted = strings.TrimPrefix(strings.ReplaceAll(pasted, "\r\n", "\n"), "\ufeff")
	names, taken := map[string]int{}, map[string]bool{}
	for _, h := range existing {
		names[strings.ToLower(h.Nickname)] = 0
		taken[h.Letters] = true
	}
	order := []string{"nickname", "language", "contact", "phone", "students", "letters"}
	out := []RosterLine{}
	for i, text := range strings.Split(pasted, "\n") {
		if strings.TrimSpace(text) == "" {
			continue
		}
		line := RosterLine{Line: i + 1, Text: text}
		cells, err := splitCells(text)
		if head, ok := readHead(cells); ok && len(out) == 0 {
			order = head
			continue
		}
		if len(out) >= maxRoster {
			line.Problem = say("roster.most", "n", maxRoster)
			out = append(out, line)
			break
		}
		if err != nil {
			line.Problem = say("roster.quote")
		} else {
			line.fill(order, cells)
			line.judge(class, names, taken)
		}
		out = append(out, line)
	}
	return out
}

func splitCells(text string) ([]string, error) {
	r := csv.NewReader(strings.NewReader(text))
	r.FieldsPerRecord = -1
	switch {
	case strings.Contains(text, "\t"):
		r.Comma = '\t'
	case strings.Contains(text, ";"):
		r.Comma = ';'
	}
	return r.Read()
}

func readHead(cells []string) (order []string, ok bool) {
	for _, c := range cells {
		name := rosterHeads[strings.ToLower(strings.TrimSpace(c))]
		ok = ok || name == "nickname"
		order = append(order, name)
	}
	return order, ok
}

func (l *RosterLine) fill(order, cells []string) {
	for k, c := range cells {
		c = strings.TrimPrefix(strings.TrimSpace(c), "'")
		if k >= len(order) || c == "" {
			continue
		}
		switch order[k] {
		case "nickname":
			l.Home.Nickname = c
		case "language":
			l.Home.Language = c
			if code, ok := text.Named(c); ok {
				l.Home.Language = code
			}
		case "contact":
			l.Home.Contact = c
		case "phone":
			l.Home.Phone = c
		case "students":
			l.Home.Students = strings.FieldsFunc(c, func(r rune) bool { return r == '+' || r == '&' || r == '/' })
		case "letters":
			l.Home.Letters = c
		}
	}
}

func (l *RosterLine) judge(class store.Class, names map[string]int, taken map[string]bool) {
	var bad *Invalid
	if err := l.Home.check(class); errors.As(err, &bad) {
		l.Problem = say("roster.line", "field", words.Field(bad.Field), "rule", bad.Rule, "example", bad.Example)
		return
	}
	key := strings.ToLower(l.Home.Nickname)
	if first, used := names[key]; used {
		l.Problem = say("roster.known", "nickname", l.Home.Nickname)
		if first > 0 {
			l.Problem = say("roster.twice", "nickname", l.Home.Nickname, "line", first)
		}
		return
	}
	names[key] = l.Line
	if l.Home.Letters == "" || taken[l.Home.Letters] {
		l.Home.Letters = freeLetters(l.Home.Nickname, taken)
	}
	taken[l.Home.Letters] = true
}

// PreviewRoster reads a list without storing anything.
func (a *App) PreviewRoster(ctx context.Context, who TeacherActor, class uuid.UUID, pasted string) ([]RosterLine, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return nil, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return nil, err
	}
	return ReadRoster(pasted, c, homes), nil
}

// ImportRoster adds the homes of a list, all or none: a line with a problem
// stops it and every line is answered.
func (a *App) ImportRoster(ctx context.Context, who TeacherActor, class uuid.UUID, pasted string) ([]RosterLine, error) {
	lines, err := a.PreviewRoster(ctx, who, class, pasted)
	if err != nil {
		return nil, err
	}
	if len(lines) == 0 {
		return nil, &Invalid{"text", rule("nicknames"), "Fern"}
	}
	for _, l := range lines {
		if l.Problem != "" {
			return nil, &Refused{"roster-problems", refusal("roster-problems", "line", l.Line, "problem", l.Problem), lines}
		}
	}
	err = a.audited(ctx, who, class, nil, "home", fmt.Sprintf("added %d from a list", len(lines)), func(q *store.Queries) error {
		taken := map[string]bool{}
		for _, l := range lines {
			if _, err := a.insertHome(ctx, q, class, store.NewID(), l.Home, taken); err != nil {
				return err
			}
		}
		return nil
	})
	return lines, err
}

// say words a message of the application for a teacher.
func say(id string, args ...any) string {
	return text.Render(text.M(id, args...), text.Languages[0])
}
