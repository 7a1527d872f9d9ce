package text

import (
	"fmt"
	"strconv"
	"strings"
	"time"
)

// Moment is a day and time of day by the clock of its own zone.
type Moment time.Time

// Show writes it as people of the language and country write it: day before month and 24
// hours, or in the United States month before day and 12.
func (m Moment) Show(language string) string {
	l, t := Of(language), time.Time(m)
	return strings.NewReplacer(
		"{weekday}", l.Weekdays[t.Weekday()],
		"{day}", strconv.Itoa(t.Day()),
		"{month}", l.Months[t.Month()-1],
		"{year}", strconv.Itoa(t.Year()),
		"{time}", l.clock(t),
	).Replace(l.Moment)
}

// clock is a time of day, to 12 or to 24 hours.
func (l *Language) clock(t time.Time) string {
	if l.Hours != 12 {
		return fmt.Sprintf("%d:%02d", t.Hour(), t.Minute())
	}
	half, hour := 0, t.Hour()
	if hour >= 12 {
		half, hour = 1, hour-12
	}
	if hour == 0 {
		hour = 12
	}
	return fmt.Sprintf("%d:%02d\u00a0%s", hour, t.Minute(), l.Halves[half])
}
