package app

import (
	"context"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/kitchens"
)

// gets adds who of a class would get what, and who cannot do it between two moments; of
// what cannot be read, or is only shown, nobody gets anything.
func (a *App) gets(
	ctx context.Context,
	c store.Class,
	e store.Experiment,
	opens, due time.Time,
	language string,
	out *IssueCheck,
) error {
	supplies, err := suppliesOf(e.Draft)
	if err != nil || supplies.Design().Way == design.WatchShared {
		return nil //nolint:nilerr // that it cannot be read stands among what is in the way
	}
	homes, of, err := kitchensOf(ctx, &a.Store.Queries, c.ID, e.ID)
	if err != nil {
		return err
	}
	plan := supplies.Fit(of)
	out.Gets = kitchens.GetsOf(homes, plan, language)
	if due.After(opens) {
		if late := kitchens.TooLate(plan, due.Sub(a.Now()), language); len(late) > 0 {
			out.Warnings = append(out.Warnings, text.Render(text.M("blocker.takes-longer", "things", late), language))
		}
		place := placeOf(c.Zone)
		out.Conflicts = kitchens.ConflictsOf(homes, plan, workOf(supplies.Design()), opens.In(place), due.In(place),
			c.Holidays, language)
	}
	return nil
}
