package text

import (
	"testing"
	"time"
)

// As the common locale data of each country write a day and a time.
func TestMoment(t *testing.T) {
	for _, c := range []struct {
		language, when, want string
	}{
		{"en", "2027-02-03 15:04", "Wed 3 Feb 2027, 15:04"},
		{"en-GB", "2027-02-03 09:05", "Wed 3 Feb 2027, 9:05"},
		{"en-US", "2027-02-03 15:04", "Wed, Feb 3, 2027, 3:04\u00a0pm"},
		{"en-US", "2027-02-03 00:30", "Wed, Feb 3, 2027, 12:30\u00a0am"},
		{"en-AU", "2027-02-03 12:00", "Wed 3 Feb 2027, 12:00\u00a0pm"},
		{"es", "2027-02-03 15:04", "mié 3 feb 2027, 15:04"},
		{"es-ES", "2027-02-03 15:04", "mié 3 feb 2027, 15:04"},
		{"es-MX", "2027-09-04 15:04", "sáb 4 sep 2027, 3:04\u00a0p. m."},
	} {
		at, err := time.Parse("2006-01-02 15:04", c.when)
		if err != nil {
			t.Fatal(err)
		}
		if got := Moment(at).Show(c.language); got != c.want {
			t.Errorf("%s in %s: %q, not %q", c.when, c.language, got, c.want)
		}
	}
}
