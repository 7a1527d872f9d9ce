package app

import (
	"context"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/sheets"
)

// PrintDraft is a sheet of an experiment's present draft, for a class. A class
// without both numbers gets no safety sheet.
func (a *App) PrintDraft(
	ctx context.Context,
	who TeacherActor,
	class, experiment uuid.UUID,
	kind, language string,
) (sheets.Printed, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return sheets.Printed{}, err
	}
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return sheets.Printed{}, notFound(err)
	}
	t, err := a.Store.Teacher(ctx, who.ID)
	if err != nil {
		return sheets.Printed{}, err
	}
	d, err := design.Read(e.Draft)
	if err != nil {
		return sheets.Printed{}, &refusal.Refused{Code: "unreadable", Words: refusal.Why("unreadable", "problem", err.Error())}
	}
	p, err := sheets.Print(&d, nil, kind, language)
	p = sheets.MeasuresOf(c.UnitSystem, language).Printed(p)
	p.Class = cardOf(homeContext{class: c, teacher: t})
	if kind == "safety" && (c.EmergencyNumber == "" || c.PoisonNumber == "") {
		return sheets.Printed{}, &refusal.Refused{Code: "no-numbers"}
	}
	return p, err
}

// PrintHome is a sheet of an issued experiment in a home's language.
func (a *App) PrintHome(ctx context.Context, who HomeActor, assignment uuid.UUID, kind string) (sheets.Printed, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return sheets.Printed{}, err
	}
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return sheets.Printed{}, notFound(err)
	}
	if as.RecalledAt != nil {
		return sheets.Printed{}, errRecalled
	}
	d, err := a.doneBy(ctx, as, who.Home)
	if err != nil {
		return sheets.Printed{}, err
	}
	if kind == "demonstration" {
		return sheets.Printed{}, refusal.ErrNotFound // the teacher's own
	}
	p, err := sheets.Print(d.Document, d.plan, kind, hc.reader)
	if err == nil && kind == "safety" {
		kept, err := a.Store.VersionSheets(ctx, who.Class, hc.home.Language)
		if err != nil {
			return sheets.Printed{}, err
		}
		frozen(&p.Safety, as.VersionID, d.sha, kept)
	}
	p = sheets.MeasuresOf(hc.class.UnitSystem, hc.reader).Printed(p)
	p.Class, p.Home, p.Version = cardOf(hc), hc.home.Nickname, as.Number
	return p, err
}
