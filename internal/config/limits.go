package config

import (
	"errors"
	"strconv"
	"strings"
)

// Limits are what one home can send in one experiment: far beyond what any
// asks, so that one phone cannot fill the school's disk.
type Limits struct {
	Entries  int
	Pictures int
	Bytes    int64 // of pictures
}

func parseLimits(s string) (Limits, error) {
	parts := strings.Split(s, ",")
	var n [3]int
	for i := range n {
		v, err := strconv.Atoi(strings.TrimSpace(append(parts, "", "", "")[i]))
		if err != nil || v < 1 || v > 1_000_000 || len(parts) != len(n) {
			return Limits{}, errors.New(
				"PK_HOME_LIMITS cannot be read; give entries, pictures and megabytes that one home can send in one " +
					"experiment, such as 5000,300,1024",
			)
		}
		n[i] = v
	}
	return Limits{n[0], n[1], int64(n[2]) << 20}, nil
}
