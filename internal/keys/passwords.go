package keys

import (
	"crypto/rand"
	"crypto/subtle"
	"encoding/base64"
	"fmt"
	"strings"

	"golang.org/x/crypto/argon2"
)

// Cost is what a guess at a password takes. It stands in each hash, so that it can be
// raised without asking anybody for a new password.
type Cost struct {
	Memory uint32 // KiB
	Passes uint32
	Lanes  uint8
}

// Usual is Argon2id with 64 MiB, three passes, two lanes (more than the least that
// RFC 9106, 4 recommends where memory is scarce: 64 MiB, three passes).
var Usual = Cost{Memory: 64 << 10, Passes: 3, Lanes: 2}

// Two are worked out at once at most, so that sign-in attempts cannot take the
// machine's memory. Those who signed in before do not queue with strangers.
var (
	strangers = make(chan struct{}, 2)
	friends   = make(chan struct{}, 1)
)

// HashPassword hashes a password for storing.
func HashPassword(password string) string { return Usual.Hash(password) }

// Hash hashes a password at a cost: "argon2id$m=65536,t=3,p=2$salt$key".
func (c Cost) Hash(password string) string {
	salt := make([]byte, 16)
	rand.Read(salt)
	return fmt.Sprintf(
		"argon2id$m=%d,t=%d,p=%d$%s$%s",
		c.Memory, c.Passes, c.Lanes,
		base64.RawStdEncoding.EncodeToString(salt),
		base64.RawStdEncoding.EncodeToString(c.key(password, salt, strangers)),
	)
}

func (c Cost) key(password string, salt []byte, slots chan struct{}) []byte {
	slots <- struct{}{}
	defer func() { <-slots }()
	return argon2.IDKey([]byte(password), salt, c.Passes, c.Memory, c.Lanes, 32)
}

// CheckPassword reports whether a password fits its hash. An empty hash costs
// the same time and never fits.
func CheckPassword(hash, password string, friend bool) bool {
	slots := strangers
	if friend {
		slots = friends
	}
	cost, salt, want, ok := read(hash)
	if !ok {
		Usual.key(password, make([]byte, 16), slots)
		return false
	}
	return subtle.ConstantTimeCompare(cost.key(password, salt, slots), want) == 1
}

// read takes a hash apart. One that says no cost is of the usual one.
func read(hash string) (cost Cost, salt, want []byte, ok bool) {
	parts := strings.Split(hash, "$")
	if parts[0] != "argon2id" || len(parts) != 3 && len(parts) != 4 {
		return cost, nil, nil, false
	}
	cost = Usual
	if len(parts) == 4 {
		n, err := fmt.Sscanf(parts[1], "m=%d,t=%d,p=%d", &cost.Memory, &cost.Passes, &cost.Lanes)
		if n != 3 || err != nil || cost.Passes < 1 || cost.Lanes < 1 || cost.Memory > 16*Usual.Memory {
			return cost, nil, nil, false
		}
	}
	salt, err1 := base64.RawStdEncoding.DecodeString(parts[len(parts)-2])
	want, err2 := base64.RawStdEncoding.DecodeString(parts[len(parts)-1])
	return cost, salt, want, err1 == nil && err2 == nil && len(want) == 32
}
