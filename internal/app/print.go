package app

import (
	"context"

	"github.com/google/uuid"

	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/sheets"
)

// PrintDraft is a sheet of an experiment's present draft, for a class. A class
// without both numbers gets no safety sheet.
func (a *App) PrintDraft(
	ctx context.Context,
	who TeacherActor,
	class, experiment, home uuid.UUID,
	kind, language string,
) (sheets.Printed, error) {
	if class == uuid.Nil {
		return sheets.Printed{}, refusal.ErrNotFound
	}
	t, err := a.trial(ctx, who, experiment, class, home)
	if err != nil {
		return sheets.Printed{}, err
	}
	p, err := sheets.Print(t.Document, t.plan, kind, language)
	p = sheets.MeasuresOf(t.class.UnitSystem, language).Printed(p)
	p.Class, p.Home = cardOf(homeContext{class: t.class, teacher: t.teacher}), t.home
	p.Experiment = experiment.String()
	if kind == "safety" && (t.class.EmergencyNumber == "" || t.class.PoisonNumber == "") {
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
