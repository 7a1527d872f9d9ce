package keys

import (
	"crypto/rand"
	"crypto/subtle"
	"encoding/base64"
	"fmt"
	"strings"

	"golang.org/x/crypto/argon2"
)

// Argon2id with 64 MiB, three passes, two lanes; two at once at most, so that
// sign-in attempts cannot take the machine's memory.
const (
	argonMemory = 64 << 10
	argonPasses = 3
	argonLanes  = 2
)

// Those who signed in before do not queue with strangers.
var (
	strangers = make(chan struct{}, 2)
	friends   = make(chan struct{}, 1)
)

// HashPassword hashes a password for storing.
func HashPassword(password string) string {
	salt := make([]byte, 16)
	rand.Read(salt)
	return fmt.Sprintf(
		"argon2id$%s$%s",
		base64.RawStdEncoding.EncodeToString(salt),
		base64.RawStdEncoding.EncodeToString(argon(password, salt, strangers)),
	)
}

func argon(password string, salt []byte, slots chan struct{}) []byte {
	slots <- struct{}{}
	defer func() { <-slots }()
	return argon2.IDKey([]byte(password), salt, argonPasses, argonMemory, argonLanes, 32)
}

// CheckPassword reports whether a password fits its hash. An empty hash costs
// the same time and never fits.
func CheckPassword(hash, password string, friend bool) bool {
	slots := strangers
	if friend {
		slots = friends
	}
	parts := strings.Split(hash, "$")
	if len(parts) != 3 || parts[0] != "argon2id" {
		argon(password, make([]byte, 16), slots)
		return false
	}
	salt, err1 := base64.RawStdEncoding.DecodeString(parts[1])
	want, err2 := base64.RawStdEncoding.DecodeString(parts[2])
	if err1 != nil || err2 != nil {
		return false
	}
	return subtle.ConstantTimeCompare(argon(password, salt, slots), want) == 1
}
