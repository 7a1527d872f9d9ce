package app

import (
	"context"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/sheets"
)

// packSheets are what a home gets on paper, by whether it only looks on.
var packSheets = map[bool][]string{false: {"safety", "sheet"}, true: {"watch"}}

// Packs are the sheets of an assignment home by home, each by its own plan, in its own
// language and with its own way in; of one home where one is named.
func (a *App) Packs(
	ctx context.Context, who TeacherActor, class, assignment, home uuid.UUID,
) ([]sheets.Printed, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return nil, err
	}
	t, err := a.Store.Teacher(ctx, who.ID)
	if err != nil {
		return nil, err
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return nil, notFound(err)
	}
	if as.RecalledAt != nil {
		return nil, errRecalled
	}
	base, err := a.issued(ctx, as)
	if err != nil {
		return nil, err
	}
	doings, err := a.plansOf(ctx, base, class, assignment)
	if err != nil {
		return nil, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return nil, err
	}
	press := &press{a: a, class: c, teacher: t, as: as, kept: map[string][]store.VersionSheet{},
		done: map[pressed]sheets.Printed{}}
	var out []sheets.Printed
	for _, h := range homes {
		if h.DeletedAt != nil || home != uuid.Nil && h.ID != home {
			continue
		}
		d, ok := doings[h.ID]
		if !ok {
			d = unplanned(base)
		}
		pack, err := press.pack(ctx, d, h)
		if err != nil {
			return nil, err
		}
		out = append(out, pack...)
	}
	if len(out) == 0 {
		return nil, refusal.ErrNotFound
	}
	return out, nil
}

// press prints the packs of a class: homes that do the same share their sheets but for
// their names and codes.
type press struct {
	a       *App
	class   store.Class
	teacher store.Teacher
	as      store.Assignment
	kept    map[string][]store.VersionSheet // by language
	done    map[pressed]sheets.Printed
}

type pressed struct {
	of             *issued
	kind, language string
}

func (p *press) pack(ctx context.Context, d doing, h store.Home) ([]sheets.Printed, error) {
	way, err := p.a.invitation(h)
	if err != nil {
		return nil, err
	}
	var out []sheets.Printed
	kinds := packSheets[d.Way == design.WatchShared]
	if len(d.Printables) > 0 && d.Way != design.WatchShared {
		kinds = append(slices.Clone(kinds), "printables")
	}
	for i, kind := range kinds {
		s, err := p.sheet(ctx, d, h, kind)
		if err != nil {
			return nil, err
		}
		s.Home, s.Last = h.Nickname, i == len(kinds)-1
		if !way.Lost {
			s.Code = way.Code
			if kind == "sheet" || kind == "watch" { // which has to stay one page
				s.Square = sheets.Square{Size: way.QR.Size, Path: way.QR.Path}
			}
		}
		out = append(out, s)
	}
	return out, nil
}

func (p *press) sheet(ctx context.Context, d doing, h store.Home, kind string) (sheets.Printed, error) {
	reader := text.In(h.Language, p.class.Zone)
	key := pressed{d.issued, kind, reader}
	if s, ok := p.done[key]; ok {
		return s, nil
	}
	s, err := sheets.Print(d.Document, d.plan, kind, reader)
	if err != nil {
		return s, err
	}
	if kind == "safety" {
		if _, ok := p.kept[h.Language]; !ok {
			if p.kept[h.Language], err = p.a.Store.VersionSheets(ctx, p.class.ID, h.Language); err != nil {
				return s, err
			}
		}
		frozen(&s.Safety, p.as.VersionID, d.sha, p.kept[h.Language])
	}
	s = sheets.MeasuresOf(p.class.UnitSystem, reader).Printed(s)
	s.Class, s.Version = cardOf(homeContext{class: p.class, teacher: p.teacher}), p.as.Number
	s.Watch.OpensAt, s.Experiment = p.as.OpensAt, p.as.ExperimentID.String()
	p.done[key] = s
	return s, nil
}
