package calendar_test

import (
	"bytes"
	"testing"
	"time"

	ical "github.com/emersion/go-ical"

	"patient-kitchen/internal/calendar"
)

// What is written is read back by another reader: times, words with commas and line ends,
// alarms.
func TestReadBack(t *testing.T) {
	from := time.Date(2027, 2, 3, 16, 0, 0, 0, time.UTC)
	raw := calendar.Write("7M", "Europe/London", from.AddDate(0, 0, -1), []calendar.Event{{
		ID: "a@x", From: from, To: from.Add(20 * time.Minute), Title: "Thirsty beans, part 1; begin",
		About: "Beans\nand salt", Link: "https://kitchen.example/h/x",
		Alarm: 15 * time.Minute,
	}, {ID: "b@x", From: from.Add(14 * time.Hour), To: from.Add(15 * time.Hour), Title: "Pesa los frijoles"}})
	c, err := ical.NewDecoder(bytes.NewReader(raw)).Decode()
	if err != nil {
		t.Fatalf("%v\n%s", err, raw)
	}
	events := c.Events()
	if len(events) != 2 {
		t.Fatalf("%d events", len(events))
	}
	e := events[0]
	start, err := e.DateTimeStart(time.UTC)
	if err != nil || !start.Equal(from) {
		t.Errorf("begins %v %v", start, err)
	}
	if end, err := e.DateTimeEnd(time.UTC); err != nil || !end.Equal(from.Add(20*time.Minute)) {
		t.Errorf("ends %v %v", end, err)
	}
	if s, _ := e.Props.Text(ical.PropSummary); s != "Thirsty beans, part 1; begin" {
		t.Errorf("%q", s)
	}
	if s, _ := e.Props.Text(ical.PropDescription); s != "Beans\nand salt" {
		t.Errorf("%q", s)
	}
	if len(e.Children) != 1 || e.Children[0].Props.Get(ical.PropTrigger).Value != "-PT15M" ||
		len(events[1].Children) != 0 {
		t.Errorf("alarms: %+v", e.Children)
	}
}
