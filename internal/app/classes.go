package app

import (
	"cmp"
	"context"
	"errors"
	"fmt"
	"regexp"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/drafts"
)

// ClassFields are what a teacher sets of a class.
type ClassFields struct {
	Name            string            `json:"name" example:"7M"`
	School          string            `json:"school,omitempty" example:"Stonechat Moor School"`
	Zone            string            `json:"zone" doc:"IANA time zone" example:"Europe/London"`
	Language        string            `json:"language" doc:"Code of one of the languages there are"`
	UnitSystem      string            `json:"unit_system" enum:"us,metric,uk,au" doc:"What cup, spoon and fl oz mean"`
	EmergencyNumber string            `json:"emergency_number,omitempty" example:"112"`
	PoisonNumber    string            `json:"poison_number,omitempty" example:"0555 010 010"`
	PhotoDays       int               `json:"photo_days" doc:"Days photos are kept after an experiment closes" minimum:"1" maximum:"400"`
	KeepUntil       string            `json:"keep_until" doc:"Day after which everything else is erased" example:"2027-07-31"`
	Usual           map[string]string `json:"usual,omitempty" doc:"What is so for homes that have not measured it: altitude, kitchen-temperature, water-temperature, each as it is typed, such as 412 m"`
	Holidays        []schedule.Days   `json:"holidays,omitempty" doc:"Days on which nothing is asked of homes" maxItems:"40"`

	NeedsAssessment *bool `json:"needs_assessment,omitempty" doc:"Nothing is issued without the school's own assessment of it; left out: as it was, and at first false"`
}

// ClassView is a class as its teacher sees it.
type ClassView struct {
	ID uuid.UUID `json:"id"`
	ClassFields
	Version int `json:"version"`
	Homes   int `json:"homes"`
}

var phonePattern = regexp.MustCompile(`^\+?[0-9][0-9 ()-]{1,19}$`)

// check reads the fields; was is the class before, a new one when it is none.
func (f ClassFields) check(was store.Class, now time.Time) (store.Class, error) {
	c := store.Class{
		Name: strings.TrimSpace(
			f.Name,
		), School: strings.TrimSpace(f.School), Zone: f.Zone, Language: f.Language, UnitSystem: f.UnitSystem,
		EmergencyNumber: strings.TrimSpace(
			f.EmergencyNumber,
		), PoisonNumber: strings.TrimSpace(f.PoisonNumber), PhotoDays: f.PhotoDays,
		NeedsAssessment: was.NeedsAssessment,
	}
	if f.NeedsAssessment != nil {
		c.NeedsAssessment = *f.NeedsAssessment
	}
	if c.Name == "" || len([]rune(c.Name)) > 60 {
		return c, refusal.Field("name", refusal.Rule("there-signs", "n", 60), "7M")
	}
	if len([]rune(c.School)) > 90 {
		return c, refusal.Field("school", refusal.Rule("most-signs", "n", 90), "Stonechat Moor School")
	}
	place, err := time.LoadLocation(c.Zone)
	if err != nil || c.Zone == "" || c.Zone == "Local" {
		return c, refusal.Field("zone", refusal.Rule("zone"), "Europe/London")
	}
	if !slices.Contains(text.Languages, c.Language) {
		return c, refusal.Field("language", refusal.Rule("language"), "en")
	}
	if !slices.Contains([]string{"us", "metric", "uk", "au"}, c.UnitSystem) {
		return c, refusal.Field("unit_system", refusal.Rule("unit-system"), "metric")
	}
	for field, number := range map[string]string{"emergency_number": c.EmergencyNumber,
		"poison_number": c.PoisonNumber} {
		if number != "" && !phonePattern.MatchString(number) {
			return c, refusal.Field(field, refusal.Rule("phone"), "0555 010 010")
		}
	}
	if c.PhotoDays < 1 || c.PhotoDays > 400 {
		return c, refusal.Field("photo_days", refusal.Rule("photo-days"), "30")
	}
	day, err := time.Parse(time.DateOnly, f.KeepUntil)
	// A day that has passed would erase the class at night; a class that has one already may keep it.
	past := f.KeepUntil < now.In(place).Format(time.DateOnly) && !day.Equal(was.KeepUntil)
	if err != nil || past || day.After(now.AddDate(3, 0, 0)) {
		return c, refusal.Field("keep_until", refusal.Rule("keep-until"), now.AddDate(1, 0, 0).Format(time.DateOnly))
	}
	c.KeepUntil = day
	c.Usual = map[string]string{}
	for id, typed := range f.Usual {
		if typed = strings.TrimSpace(typed); typed == "" {
			continue
		}
		own, ok := design.Own(id)
		if ok && own.Place {
			_, err = own.Typed(typed)
		}
		if !ok || !own.Place || err != nil {
			return c, refusal.Field("usual", refusal.Rule("usual"), `{"altitude": "412 m"}`)
		}
		c.Usual[id] = typed
	}
	c.Holidays = f.Holidays
	return c, checkHolidays(f.Holidays)
}

// mostHolidays bounds the holidays of a class, longestHoliday each of them in days.
const mostHolidays, longestHoliday = 40, 120

func checkHolidays(holidays []schedule.Days) error {
	wrong := refusal.Field("holidays", refusal.Rule("holidays", "n", mostHolidays, "days", longestHoliday),
		`[{"first": "2026-12-21", "last": "2027-01-03"}]`)
	if len(holidays) > mostHolidays {
		return wrong
	}
	for _, h := range holidays {
		first, err := time.Parse(time.DateOnly, h.First)
		last, err2 := time.Parse(time.DateOnly, h.Last)
		if err != nil || err2 != nil || last.Before(first) || last.After(first.AddDate(0, 0, longestHoliday)) {
			return wrong
		}
	}
	return nil
}

func viewClass(c store.Class, homes int) ClassView {
	return ClassView{ID: c.ID, Version: c.Version, Homes: homes, ClassFields: ClassFields{
		Name: c.Name, School: c.School, Zone: c.Zone, Language: c.Language, UnitSystem: c.UnitSystem,
		EmergencyNumber: c.EmergencyNumber,
		PoisonNumber:    c.PoisonNumber, PhotoDays: c.PhotoDays, KeepUntil: c.KeepUntil.Format(time.DateOnly),
		NeedsAssessment: &c.NeedsAssessment,
		Usual:           c.Usual,
		Holidays:        c.Holidays,
	}}
}

// AddClass makes a class.
func (a *App) AddClass(ctx context.Context, who TeacherActor, f ClassFields) (ClassView, error) {
	c, err := f.check(store.Class{}, a.Now())
	if err != nil {
		return ClassView{}, err
	}
	c.ID, c.TeacherID, c.CreatedAt, c.Version = store.NewID(), who.ID, a.Now(), 1
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.AddClass(ctx, c); err != nil {
			return err
		}
		q.Tell(store.Event{Class: who.ID, Kind: Access, ID: c.ID})
		return nil
	})
	return viewClass(c, 0), err
}

// SaveClass changes a class that still has the version given.
func (a *App) SaveClass(
	ctx context.Context,
	who TeacherActor,
	id uuid.UUID,
	version int,
	f ClassFields,
) (ClassView, error) {
	now, err := a.class(ctx, who, id)
	if err != nil {
		return ClassView{}, err
	}
	c, err := f.check(now, a.Now())
	if err != nil {
		return ClassView{}, err
	}
	homes, err := a.Store.Homes(ctx, id)
	if err != nil {
		return ClassView{}, err
	}
	if now.Version != version {
		return ClassView{}, classChanged(now, len(homes))
	}
	c.ID, c.Version = id, version
	err = a.audited(ctx, who, id, nil, "class", "settings", func(q *store.Queries) error {
		err := q.SaveClass(ctx, c)
		if errors.Is(err, store.ErrNotFound) { // somebody was faster since it was looked at
			if now, err = a.class(ctx, who, id); err == nil {
				return classChanged(now, len(homes))
			}
		}
		return notFound(err)
	})
	c.Version++
	return viewClass(c, len(homes)), err
}

func classChanged(now store.Class, homes int) error {
	return &refusal.Refused{Code: "changed-elsewhere", Words: refusal.Why("changed-elsewhere.class"),
		Current: viewClass(now, homes)}
}

// Classes lists the teacher's classes.
func (a *App) Classes(ctx context.Context, who TeacherActor) ([]ClassView, error) {
	rows, err := a.Store.Classes(ctx, who.ID)
	out := make([]ClassView, 0, len(rows))
	for _, r := range rows {
		out = append(out, viewClass(r.Class, r.Homes))
	}
	return out, err
}

// Class finds one of the teacher's classes.
func (a *App) Class(ctx context.Context, who TeacherActor, id uuid.UUID) (ClassView, error) {
	c, err := a.class(ctx, who, id)
	if err != nil {
		return ClassView{}, err
	}
	homes, err := a.Store.Homes(ctx, id)
	return viewClass(c, len(homes)), err
}

// DeleteClass takes a class off the list; it can be brought back for thirty days.
// Its homes' links open nothing meanwhile.
func (a *App) DeleteClass(ctx context.Context, who TeacherActor, id uuid.UUID) error {
	if _, err := a.class(ctx, who, id); err != nil {
		return err
	}
	now := a.Now()
	return a.audited(
		ctx,
		who,
		id,
		nil,
		"class",
		"deleted",
		func(q *store.Queries) error { return q.SetClassDeleted(ctx, id, &now) },
	)
}

// RestoreClass brings a class back that was deleted.
func (a *App) RestoreClass(ctx context.Context, who TeacherActor, id uuid.UUID) error {
	deleted, err := a.Store.DeletedClasses(ctx, who.ID)
	if err != nil {
		return err
	}
	for _, c := range deleted {
		if c.ID == id {
			return a.audited(
				ctx,
				who,
				id,
				nil,
				"class",
				"restored",
				func(q *store.Queries) error { return q.SetClassDeleted(ctx, id, nil) },
			)
		}
	}
	return refusal.ErrNotFound
}

// DeletedClasses lists the classes that can be brought back.
func (a *App) DeletedClasses(ctx context.Context, who TeacherActor) ([]ClassView, error) {
	rows, err := a.Store.DeletedClasses(ctx, who.ID)
	out := make([]ClassView, 0, len(rows))
	for _, r := range rows {
		out = append(out, viewClass(r.Class, r.Homes))
	}
	return out, err
}

// LeavingView is what will be removed for good, and when.
type LeavingView struct {
	Class     uuid.UUID `json:"class"`
	ClassName string    `json:"class_name"`
	What      string    `json:"what" enum:"class,homes,photos" doc:"All of the class; homes that were taken out; photos of an experiment"`
	Title     string    `json:"title,omitempty" doc:"Of the experiment"`
	N         int       `json:"n" doc:"How many homes or photos"`
	Day       string    `json:"day"`
}

// announced is how long before it is said that something will be removed.
const announced = 7 * 24 * time.Hour

// Leavings lists what will be removed within a week, soonest first.
func (a *App) Leavings(ctx context.Context, who TeacherActor, language string) ([]LeavingView, error) {
	rows, err := a.Store.Leavings(ctx, who.ID, a.Now(), announced)
	out := make([]LeavingView, 0, len(rows))
	for _, r := range rows {
		title := ""
		if r.What == "photos" {
			title = drafts.Titled(r.Title, language)
		}
		out = append(out, LeavingView{r.ClassID, r.ClassName, r.What, title, r.N, r.Day.Format(time.DateOnly)})
	}
	return out, err
}

// AuditView is one thing that a teacher did to a class or home.
type AuditView struct {
	At   time.Time  `json:"at"`
	Home *uuid.UUID `json:"home,omitempty"`
	Done string     `json:"done" doc:"What was done, in words"`
}

// auditWords say what was done, by action and detail; what somebody wrote follows
// in the detail.
func auditWords(r store.Audit, language string) string {
	id := "audit." + strings.ReplaceAll(r.Action+" "+r.Detail, " ", "-")
	var n int
	switch _, err := fmt.Sscanf(r.Detail, "added %d from a list", &n); {
	case text.Has(id):
		return text.Render(text.M(id), language)
	case err == nil:
		return text.Render(text.M("audit.home-added-list", "n", n), language)
	}
	if title, ok := strings.CutPrefix(r.Detail, "issued "); ok {
		return text.Render(text.M("audit.assignment-issued", "title", title), language)
	}
	if reason, ok := strings.CutPrefix(r.Detail, "recalled: "); ok {
		return text.Render(text.M("audit.assignment-recalled", "reason", reason), language)
	}
	return cmp.Or(r.Detail, r.Action)
}

// Audit lists what the teacher did to a class, or to one of its homes, newest
// first.
func (a *App) Audit(
	ctx context.Context,
	who TeacherActor,
	class uuid.UUID,
	home *uuid.UUID,
	language string,
) ([]AuditView, error) {
	if _, err := a.class(ctx, who, class); err != nil {
		return nil, err
	}
	rows, err := a.Store.Audits(ctx, class, home, 200)
	out := make([]AuditView, 0, len(rows))
	for _, r := range rows {
		out = append(out, AuditView{r.At, r.HomeID, auditWords(r, language)})
	}
	return out, err
}
