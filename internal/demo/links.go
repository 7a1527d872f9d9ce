package demo

import (
	"context"
	"fmt"

	"patient-kitchen/internal/app"
)

// Links are the links of some homes of class 7M, by nickname.
func Links(ctx context.Context, a *app.App, nicknames ...string) ([]string, error) {
	t, err := a.Store.TeacherByEmail(ctx, Email)
	if err != nil {
		return nil, err
	}
	who := app.TeacherActor{ID: t.ID}
	classes, err := a.Classes(ctx, who)
	if err != nil {
		return nil, err
	}
	found := map[string]string{}
	for _, c := range classes {
		list, err := a.Invitations(ctx, who, c.ID)
		if err != nil {
			return nil, err
		}
		for _, i := range list {
			found[i.Nickname] = i.Link
		}
	}
	out := make([]string, len(nicknames))
	for i, n := range nicknames {
		if found[n] == "" {
			return nil, fmt.Errorf("there is no home %s in the demo", n)
		}
		out[i] = found[n]
	}
	return out, nil
}
