// Package calendar writes the times of an experiment as a file that calendars read.
//
// It must not know the store, or say anything of a home but its sittings.
package calendar

import (
	"fmt"
	"time"

	ical "github.com/arran4/golang-ical"
)

// Event is one entry of a calendar.
type Event struct {
	ID       string // the same for the same entry, so that a newer file takes its place
	From, To time.Time
	Title    string
	About    string
	Link     string
	Alarm    time.Duration // before it begins; 0 for none
}

// Write is a calendar file (RFC 5545) of a name, in a zone, as of a moment.
func Write(name, zone string, now time.Time, events []Event) []byte {
	c := ical.NewCalendarFor("Patient Kitchen")
	c.SetMethod(ical.MethodPublish)
	c.SetXWRCalName(name)
	c.SetXWRTimezone(zone)
	for _, e := range events {
		v := c.AddEvent(e.ID)
		v.SetDtStampTime(now)
		v.SetStartAt(e.From)
		v.SetEndAt(e.To)
		v.SetSummary(e.Title)
		if e.About != "" {
			v.SetDescription(e.About)
		}
		if e.Link != "" {
			v.SetURL(e.Link)
		}
		if e.Alarm > 0 {
			a := v.AddAlarm()
			a.SetAction(ical.ActionDisplay)
			a.SetDescription(e.Title)
			a.SetTrigger(fmt.Sprintf("-PT%dM", int(e.Alarm.Minutes())))
		}
	}
	return []byte(c.Serialize())
}
