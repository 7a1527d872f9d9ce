package app

import (
	"context"
	"errors"
	"fmt"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/roster"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/words"
)

// RosterLine is one home of a pasted list or file as it was read.
type RosterLine struct {
	Line    int        `json:"line" doc:"From 1"`
	Text    string     `json:"text"`
	Home    HomeFields `json:"home"`
	Problem string     `json:"problem,omitempty" doc:"Why the line cannot be taken, and how to mend it"`
}

// RosterView is a list as it was read: what each column is taken for, and every
// home.
type RosterView struct {
	Text    string          `json:"text,omitempty" doc:"Of a file: what it says, to be mended and sent as text"`
	Columns []roster.Column `json:"columns"`
	Items   []RosterLine    `json:"items"`
}

// maxRoster is the most homes one list may hold.
const maxRoster = 300

// ReadRoster reads a list for a class. Every line is answered, with its problem if
// it has one; names already in the class are problems too. What no field holds goes
// into the home's note, as a language does that is not one of those here.
func ReadRoster(pasted string, mapping []string, class store.Class, existing []store.Home, language string) RosterView {
	names, taken := map[string]int{}, map[string]bool{}
	for _, h := range existing {
		names[strings.ToLower(h.Nickname)] = 0
		taken[h.Letters] = true
	}
	list := roster.Read(pasted, mapping)
	out := RosterView{Columns: append([]roster.Column{}, list.Columns...), Items: []RosterLine{}}
	for _, row := range list.Rows {
		line := RosterLine{Line: row.Line, Text: row.Text}
		if len(out.Items) >= maxRoster {
			line.Problem = say(language, "roster.most", "n", maxRoster)
			out.Items = append(out.Items, line)
			break
		}
		if row.Broken {
			line.Problem = say(language, "roster.quote")
		} else {
			line.fill(row, language)
			line.judge(class, names, taken, language)
		}
		out.Items = append(out.Items, line)
	}
	return out
}

func (l *RosterLine) fill(row roster.Row, language string) {
	c, notes := row.Cells, row.Notes
	l.Home = HomeFields{Nickname: c["nickname"], Contact: c["contact"], Phone: c["phone"], Letters: c["letters"]}
	l.Home.Students = strings.FieldsFunc(c["students"], func(r rune) bool { return strings.ContainsRune("+&/,;", r) })
	if code, ok := text.Named(c["language"]); ok {
		l.Home.Language = code
	} else if c["language"] != "" {
		notes = append(notes, say(language, "roster.language", "language", c["language"]))
	}
	l.Home.Note = strings.Join(notes, "; ")
}

func (l *RosterLine) judge(class store.Class, names map[string]int, taken map[string]bool, language string) {
	var bad *refusal.Invalid
	if err := l.Home.check(class); errors.As(err, &bad) {
		l.Problem = say(
			language,
			"roster.line",
			"field",
			words.Field(bad.Field),
			"rule",
			bad.Rule,
			"example",
			bad.Example,
		)
		return
	}
	key := strings.ToLower(l.Home.Nickname)
	if first, used := names[key]; used {
		l.Problem = say(language, "roster.known", "nickname", l.Home.Nickname)
		if first > 0 {
			l.Problem = say(language, "roster.twice", "nickname", l.Home.Nickname, "line", first)
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
func (a *App) PreviewRoster(
	ctx context.Context,
	who TeacherActor,
	class uuid.UUID,
	pasted string,
	mapping []string,
	language string,
) (RosterView, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return RosterView{}, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return RosterView{}, err
	}
	return ReadRoster(pasted, mapping, c, homes, language), nil
}

// ImportRoster adds the homes of a list, all or none: a line with a problem
// stops it and every line is answered.
func (a *App) ImportRoster(
	ctx context.Context,
	who TeacherActor,
	class uuid.UUID,
	pasted string,
	mapping []string,
	language string,
) (RosterView, error) {
	read, err := a.PreviewRoster(ctx, who, class, pasted, mapping, language)
	if err != nil {
		return RosterView{}, err
	}
	lines := read.Items
	if len(lines) == 0 {
		return RosterView{}, refusal.Field("text", refusal.Rule("nicknames"), "Fern")
	}
	for _, l := range lines {
		if l.Problem != "" {
			return RosterView{}, &refusal.Refused{
				Code:    "roster-problems",
				Words:   refusal.Why("roster-problems", "line", l.Line, "problem", l.Problem),
				Current: lines,
			}
		}
	}
	err = a.audited(
		ctx,
		who,
		class,
		nil,
		"home",
		fmt.Sprintf("added %d from a list", len(lines)),
		func(q *store.Queries) error {
			taken := map[string]bool{}
			for _, l := range lines {
				if _, err := a.insertHome(ctx, q, class, store.NewID(), l.Home, taken); err != nil {
					return err
				}
			}
			return nil
		},
	)
	return read, err
}

// say words a message of the application for a teacher.
func say(language, id string, args ...any) string {
	return text.Render(text.M(id, args...), language)
}
