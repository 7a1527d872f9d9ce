package app

import (
	"bytes"
	"context"
	"crypto/sha256"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/review"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
	"patient-kitchen/internal/view/kitchens"
	"patient-kitchen/internal/view/results"
)

// Blocker stands in the way of issuing.
type Blocker struct {
	Code    string `json:"code"`
	Message string `json:"message"`
	Mend    string `json:"mend"`
	Place   string `json:"place" enum:"class,homes,safety,design" doc:"Where it is mended"`
	Path    string `json:"path,omitempty"`
}

// IssueCheck says whether an experiment can go to a class now.
type IssueCheck struct {
	Blockers []Blocker `json:"blockers"`
	Warnings []string  `json:"warnings"`
	Homes    int       `json:"homes"`
	Number   int       `json:"number" doc:"The version number this issue would freeze"`
	Draft    int       `json:"draft" doc:"Number of the draft that was judged"`

	Gets      kitchens.Gets       `json:"gets" doc:"Who of the class gets what"`
	Conflicts []kitchens.Conflict `json:"conflicts" doc:"Homes that cannot do it between opening and due time; none where those were not said"`
}

// CheckIssue lists what is in the way of issuing an experiment to a class, in
// the order of mending.
func (a *App) CheckIssue(
	ctx context.Context,
	who TeacherActor,
	class, experiment uuid.UUID,
	opens, due time.Time,
	language string,
) (IssueCheck, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return IssueCheck{}, err
	}
	e, err := a.Store.Experiment(ctx, who.ID, experiment)
	if err != nil {
		return IssueCheck{}, notFound(err)
	}
	out, err := checkIssue(ctx, &a.Store.Queries, c, e, language)
	if err != nil {
		return IssueCheck{}, err
	}
	if place := placeOf(c.Zone); slices.ContainsFunc(c.Holidays, func(d schedule.Days) bool {
		return d.Holds(due.In(place))
	}) {
		out.Warnings = append(out.Warnings, text.Render(text.M("blocker.due-in-holidays"), language))
	}
	return out, a.gets(ctx, c, e, opens, due, language, &out)
}

// checkIssue judges the bytes it is given: those are what is frozen.
func checkIssue(
	ctx context.Context,
	q *store.Queries,
	c store.Class,
	e store.Experiment,
	language string,
) (IssueCheck, error) {
	homes, err := q.Homes(ctx, c.ID)
	if err != nil {
		return IssueCheck{}, err
	}
	sum := sha256.Sum256(e.Draft)
	_, err = q.AssessmentOf(ctx, e.ID, sum[:])
	assessed := err == nil
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return IssueCheck{}, err
	}
	out := IssueCheck{
		Gets:      kitchens.Gets{Groups: []kitchens.Group{}},
		Conflicts: []kitchens.Conflict{},
		Blockers:  blockers(c, len(homes), e.Draft, assessed, language),
		Warnings:  []string{},
		Homes:     len(homes),
		Number:    1,
		Draft:     e.Version,
	}
	out.Warnings = append(out.Warnings, languageWarnings(e.Draft, homes, language)...)
	last, err := q.LatestVersion(ctx, e.ID)
	if err == nil {
		out.Number = last.Number
		if !bytes.Equal(last.Document, e.Draft) {
			out.Number++
		}
	} else if !errors.Is(err, store.ErrNotFound) {
		return IssueCheck{}, err
	}
	return out, nil
}

// blockers are what is in the way: of the class, then of the design.
func blockers(c store.Class, homes int, draft []byte, assessed bool, language string) []Blocker {
	out := []Blocker{}
	say := func(id string, pairs ...any) string { return text.Render(text.M(id, pairs...), language) }
	for _, b := range []struct {
		stands            bool
		code, place, path string
	}{
		{c.EmergencyNumber == "", "no-emergency-number", "class", "emergency_number"},
		{c.PoisonNumber == "", "no-poison-number", "class", "poison_number"},
		{homes == 0, "no-homes", "homes", ""},
		{c.NeedsAssessment && !assessed, "not-assessed", "safety", ""},
	} {
		if b.stands {
			out = append(out, Blocker{b.code, say("blocker." + b.code), say("blocker." + b.code + ".mend"), b.place,
				b.path})
		}
	}
	d, err := design.Read(draft)
	if err != nil {
		why, mend := say("refused.unreadable", "problem", text.Why(err)), say("blocker.unreadable.mend")
		return append(out, Blocker{"unreadable", why, mend, "design", ""})
	}
	for _, b := range review.Of(&d).Blockers {
		out = append(out, Blocker{b.Code, text.Render(b.Why, language), text.Render(b.Mend, language), b.Station,
			b.Place})
	}
	return out
}

// languageWarnings names the homes whose language the experiment lacks.
func languageWarnings(draft []byte, homes []store.Home, language string) []string {
	d, err := design.Read(draft)
	if err != nil {
		return nil
	}
	var without []string
	for _, h := range homes {
		if !slices.Contains(d.Languages, h.Language) {
			without = append(without, h.Nickname)
		}
	}
	if len(without) == 0 {
		return nil
	}
	return []string{text.Render(text.M("blocker.other-language", "homes", without), language)}
}

func stateOf(opens, due time.Time, recalled *time.Time, now time.Time) string {
	switch {
	case recalled != nil:
		return "recalled"
	case now.Before(opens):
		return "waiting"
	case now.After(due):
		return "over"
	}
	return "open"
}

// IssueFields say what goes to a class and when.
type IssueFields struct {
	Experiment uuid.UUID `json:"experiment"`
	OpensAt    time.Time `json:"opens_at"`
	DueAt      time.Time `json:"due_at"`
	Draft      int       `json:"draft,omitempty" doc:"Number of the draft that was looked at; another one is not issued unseen"`
}

// errStands says that nothing was to be done.
var errStands = errors.New("the class has this version already")

// Issue freezes the present draft and hands it to every home of a class. What
// is judged is what is frozen: both happen to the same bytes in one
// transaction. A version goes to a class once; pressed again it is the same
// assignment.
func (a *App) Issue(
	ctx context.Context,
	who TeacherActor,
	class uuid.UUID,
	f IssueFields,
	language string,
) (results.AssignmentView, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return results.AssignmentView{}, err
	}
	if !f.DueAt.After(f.OpensAt) || f.DueAt.After(f.OpensAt.AddDate(0, 3, 0)) {
		return results.AssignmentView{}, refusal.Field(
			"due_at",
			refusal.Rule("after-opening"),
			f.OpensAt.Add(24*time.Hour).Format(time.RFC3339),
		)
	}
	e, err := a.Store.Experiment(ctx, who.ID, f.Experiment)
	if err != nil {
		return results.AssignmentView{}, notFound(err)
	}
	_, _ = suppliesOf(e.Draft) // worked out before anything is held; what is wrong with it is said below
	now, homes := a.Now(), 0
	as := store.Assignment{
		ClassID:      class,
		ID:           store.NewID(),
		ExperimentID: e.ID,
		OpensAt:      f.OpensAt,
		DueAt:        f.DueAt,
		IssuedAt:     now,
	}
	err = a.audited(
		ctx,
		who,
		class,
		nil,
		"assignment",
		"issued "+drafts.Titled(e.Title, language),
		func(q *store.Queries) error {
			if e, err = q.LockExperiment(ctx, who.ID, f.Experiment); err != nil {
				return notFound(err)
			}
			check, err := checkIssue(ctx, q, c, e, language)
			if err != nil {
				return err
			}
			if f.Draft != 0 && f.Draft != e.Version {
				return &refusal.Refused{Code: "changed-elsewhere", Words: refusal.Why("changed-elsewhere.issue"),
					Current: check}
			}
			if len(check.Blockers) > 0 {
				return &refusal.Refused{Code: "blocked",
					Words: refusal.Why("blocked", "what", check.Blockers[0].Message), Current: check}
			}
			version, err := freeze(ctx, q, e, now)
			if err != nil {
				return err
			}
			homes = check.Homes
			as.VersionID, as.Number = version.ID, version.Number
			switch stands, err := q.Standing(ctx, class, version.ID); {
			case err == nil && stands.OpensAt.Equal(f.OpensAt) && stands.DueAt.Equal(f.DueAt):
				as = stands
				return errStands
			case err == nil:
				return &refusal.Refused{
					Code:  "already-issued",
					Words: refusal.Why("already-issued", "class", c.Name, "n", version.Number),
				}
			case !errors.Is(err, store.ErrNotFound):
				return err
			}
			if err := q.AddAssignment(ctx, as); err != nil {
				return err
			}
			return a.planHomes(ctx, q, as, version.Document)
		},
	)
	if err != nil && !errors.Is(err, errStands) {
		return results.AssignmentView{}, err
	}
	return results.AssignmentView{
		ID:         as.ID,
		Class:      class,
		ClassName:  c.Name,
		Experiment: e.ID,
		Title:      drafts.Titled(e.Title, language),
		Number:     as.Number,
		OpensAt:    as.OpensAt,
		DueAt:      as.DueAt,
		IssuedAt:   as.IssuedAt,
		Homes:      homes,
		State:      stateOf(as.OpensAt, as.DueAt, nil, now),
	}, nil
}

// freeze makes a new version of the draft, or takes the last one when nothing
// was changed since.
func freeze(ctx context.Context, q *store.Queries, e store.Experiment, now time.Time) (store.Version, error) {
	last, err := q.LatestVersion(ctx, e.ID)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return store.Version{}, err
	}
	if bytes.Equal(last.Document, e.Draft) {
		return last, nil
	}
	d, err := design.Read(e.Draft)
	if err != nil {
		return store.Version{}, err
	}
	sum := sha256.Sum256(e.Draft)
	v := store.Version{
		ID:           store.NewID(),
		ExperimentID: e.ID,
		Number:       last.Number + 1,
		Document:     e.Draft,
		Sha256:       sum[:],
		Schema:       d.Schema,
		FrozenAt:     now,
	}
	if err := q.AddVersion(ctx, v); err != nil {
		return store.Version{}, err
	}
	return v, freezeSheets(ctx, q, v, &d, now)
}

// Assignments lists the assignments of the teacher's classes.
func (a *App) Assignments(ctx context.Context, who TeacherActor, language string) ([]results.AssignmentView, error) {
	rows, err := a.Store.AssignmentRows(ctx, who.ID)
	out := make([]results.AssignmentView, 0, len(rows))
	for _, r := range rows {
		out = append(
			out,
			results.AssignmentView{
				ID:         r.ID,
				Class:      r.ClassID,
				ClassName:  r.ClassName,
				Experiment: r.ExperimentID,
				Title:      drafts.Titled(r.Title, language),
				Number:     r.Number,
				OpensAt:    r.OpensAt,
				DueAt:      r.DueAt,
				IssuedAt:   r.IssuedAt,
				RecalledAt: r.RecalledAt,
				Homes:      r.Homes,
				Sent:       r.Sent,
				State:      stateOf(r.OpensAt, r.DueAt, r.RecalledAt, a.Now()),
			},
		)
	}
	return out, err
}

// Reschedule gives an issued experiment another end: the pages of its homes follow, and
// what comes after the new end is late.
func (a *App) Reschedule(ctx context.Context, who TeacherActor, class, id uuid.UUID, due time.Time) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	as, err := a.Store.Assignment(ctx, class, id)
	if err != nil {
		return notFound(err)
	}
	if !due.After(as.OpensAt) || due.After(as.OpensAt.AddDate(0, 3, 0)) {
		return refusal.Field("due_at", refusal.Rule("after-opening"), as.OpensAt.Add(24*time.Hour).Format(time.RFC3339))
	}
	return a.audited(ctx, who, class, nil, "assignment", "rescheduled", func(q *store.Queries) error {
		err := q.Reschedule(ctx, class, id, due)
		if errors.Is(err, store.ErrNotFound) {
			return &refusal.Refused{Code: "recalled", Words: refusal.Why("recalled.before")}
		}
		return err
	})
}

// Recall stops an issued experiment: open pages show Stop, nothing more is
// taken, what was sent is kept.
func (a *App) Recall(ctx context.Context, who TeacherActor, class, id uuid.UUID, reason string) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	reason = strings.TrimSpace(reason)
	if reason == "" || len([]rune(reason)) > 300 {
		return refusal.Field("reason", refusal.Rule("reason-families"), "The dishes tip over. Please pour "+
			"the water away.")
	}
	if _, err := a.Store.Assignment(ctx, class, id); err != nil {
		return notFound(err)
	}
	return a.audited(
		ctx,
		who,
		class,
		nil,
		"assignment",
		fmt.Sprintf("recalled: %s", reason),
		func(q *store.Queries) error {
			err := q.Recall(ctx, class, id, reason, a.Now())
			if errors.Is(err, store.ErrNotFound) {
				return &refusal.Refused{Code: "recalled", Words: refusal.Why("recalled.before")}
			}
			return err
		},
	)
}
