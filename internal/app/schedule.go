package app

import (
	"context"
	"fmt"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/schedule"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/calendar"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/kitchens"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// mostStarts bounds the windows in which work can begin that are named.
const mostStarts = 3

// startsOf are the times in which a home can begin an assignment so that every sitting is
// at an hour at which it is awake, by the clock of the class.
func startsOf(w schedule.Work, as store.Assignment, zone string, hours schedule.Hours) []schedule.Window {
	place := placeOf(zone)
	return w.Starts(as.OpensAt.In(place), as.DueAt.In(place), hours, mostStarts)
}

// hoursOf are the hours of a home of a class, less the class's holidays.
func hoursOf(c store.Class, own *kitchens.HomeHours) schedule.Hours {
	out := own.Of()
	out.Off = c.Holidays
	return out
}

// placeOf is where a class is by the clock.
func placeOf(zone string) *time.Location {
	place, err := time.LoadLocation(zone)
	if err != nil {
		return time.UTC
	}
	return place
}

// begins are the times that are still to come, for the page; none of work in one sitting,
// which can begin at any hour, unless the home has said when it works and an adult is in.
func begins(w schedule.Work, as store.Assignment, zone string, hours schedule.Hours, now time.Time) []sheets.WindowRow {
	out := []sheets.WindowRow{}
	if now.After(as.OpensAt) {
		as.OpensAt = now
	}
	windows := startsOf(w, as, zone, hours)
	if len(windows) == 0 {
		return out
	}
	if sittings, _ := w.Sittings(windows[0].From, as.DueAt, hours); len(sittings) < 2 && !hours.Own() {
		return out
	}
	for _, w := range windows {
		out = append(out, sheets.WindowRow{From: w.From, To: w.To})
	}
	return out
}

// alarm is how long before a sitting a calendar speaks up.
const alarm = 15 * time.Minute

// events are the sittings of an assignment from the first time at which it can begin, and
// when it is due; they say nothing of a home.
func events(
	i *issued, as store.Assignment, zone string, hours schedule.Hours, language, link string,
) []calendar.Event {
	d, w := i.Document, i.work()
	title, _ := d.Title.In(language)
	say := func(id string) string { return text.Render(text.M(id, "title", title), language) }
	var out []calendar.Event
	windows := startsOf(w, as, zone, hours)
	if len(windows) > 0 && d.Way != design.WatchShared {
		sittings, _ := w.Sittings(windows[0].From, as.DueAt, hours)
		for i, s := range sittings {
			words := "calendar.begin"
			if i > 0 {
				words = "calendar.go-on"
			}
			out = append(out, calendar.Event{
				ID: fmt.Sprintf("%s-%d@patient-kitchen", as.ID, i), From: s.From, To: s.To, Title: say(words),
				Link: link, Alarm: alarm,
			})
		}
	}
	return append(out, calendar.Event{
		ID: as.ID.String() + "-due@patient-kitchen", From: as.DueAt.Add(-alarm), To: as.DueAt,
		Title: say("calendar.due"), Link: link,
		Alarm: 2 * time.Hour,
	})
}

// HomeCalendar is an assignment as a home puts it into its calendar.
func (a *App) HomeCalendar(ctx context.Context, who HomeActor, assignment uuid.UUID) ([]byte, string, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return nil, "", err
	}
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return nil, "", notFound(err)
	}
	d, err := a.doneBy(ctx, as, who.Home)
	if err != nil {
		return nil, "", err
	}
	title, _ := d.Title.In(hc.reader)
	f, err := a.kitchenOf(ctx, who)
	if err != nil {
		return nil, "", err
	}
	link := a.PublicURL + "/home/" + who.Home.String()
	return calendar.Write(title, hc.class.Zone, a.Now(), events(d.issued, as, hc.class.Zone, hoursOf(hc.class, f.Hours),
		hc.reader, link)), results.PlainName(title), nil
}

// ClassCalendar is an assignment as its teacher puts it into a calendar.
func (a *App) ClassCalendar(ctx context.Context, who TeacherActor, class, assignment uuid.UUID,
	language string) ([]byte, string, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return nil, "", err
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return nil, "", notFound(err)
	}
	d, err := a.issued(ctx, as)
	if err != nil {
		return nil, "", err
	}
	title, _ := d.Title.In(language)
	link := a.PublicURL + "/experiments/" + as.ExperimentID.String() + "/run"
	return calendar.Write(title+" · "+c.Name, c.Zone, a.Now(), events(d, as, c.Zone, hoursOf(c, nil), language,
		link)), results.PlainName(title + " " + c.Name), nil
}
