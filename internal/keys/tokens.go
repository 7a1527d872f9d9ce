package keys

import (
	"crypto/rand"
	"crypto/sha256"
	"encoding/base64"
)

// NewToken is a fresh random token and its hash for storing.
func NewToken() (token string, hash []byte) {
	raw := make([]byte, 32)
	rand.Read(raw)
	token = base64.RawURLEncoding.EncodeToString(raw)
	return token, HashToken(token)
}

// HashToken is the form in which a token is stored.
func HashToken(token string) []byte {
	sum := sha256.Sum256([]byte(token))
	return sum[:]
}
