// Package keys makes and finds the links and codes of homes, hashes passwords
// and tokens. Links and codes are derived from a secret, the home and a
// generation, so that they can be printed again and renewed, and only an HMAC
// of each is stored.
//
// It must not know the database. Start reading at [Ring].
package keys

import (
	"crypto/hmac"
	"crypto/sha256"
	"encoding/base64"
	"errors"
	"fmt"
	"strconv"
	"strings"

	"github.com/google/uuid"

	"patient-kitchen/internal/config"
)

// Ring holds the secrets, newest first.
type Ring struct{ secrets []config.Secret }

// NewRing makes a ring of at least one secret.
func NewRing(secrets []config.Secret) *Ring { return &Ring{secrets} }

// Newest is the id of the secret that new links are made with.
func (r *Ring) Newest() string { return r.secrets[0].ID }

// ErrGone says that the secret with which a link was made is not known any more:
// the link cannot be shown, and opens nothing.
var ErrGone = errors.New("the secret of this link is gone")

func (r *Ring) secret(id string) ([]byte, error) {
	for _, s := range r.secrets {
		if s.ID == id {
			return s.Key, nil
		}
	}
	return nil, fmt.Errorf("%w: %q is not in PK_SECRETS any more", ErrGone, id)
}

func mac(key []byte, parts ...string) []byte {
	h := hmac.New(sha256.New, key)
	h.Write([]byte(strings.Join(parts, "|")))
	return h.Sum(nil)
}

// Link is a home's link token of a generation: base64url(HMAC-SHA256(secret,
// "link"|home|generation)).
func (r *Ring) Link(keyID string, home uuid.UUID, generation int) (string, error) {
	key, err := r.secret(keyID)
	if err != nil {
		return "", err
	}
	return base64.RawURLEncoding.EncodeToString(mac(key, "link", home.String(), strconv.Itoa(generation))), nil
}

// crockford is Crockford's base32 alphabet: no I, L, O or U.
const crockford = "0123456789ABCDEFGHJKMNPQRSTVWXYZ"

// Code is a home's code of a generation, ten signs of Crockford base32.
func (r *Ring) Code(keyID string, home uuid.UUID, generation int) (string, error) {
	key, err := r.secret(keyID)
	if err != nil {
		return "", err
	}
	sum := mac(key, "code", home.String(), strconv.Itoa(generation))
	code := make([]byte, 10)
	for i := range code {
		code[i] = crockford[sum[i]&31]
	}
	return string(code), nil
}

// ReadCode brings a typed code to its stored form: capitals, no blanks or
// hyphens, O as 0 and I or L as 1. It reports false for what cannot be one.
func ReadCode(typed string) (string, bool) {
	s := strings.NewReplacer(" ", "", "-", "", "O", "0", "I", "1", "L", "1").Replace(strings.ToUpper(typed))
	if len(s) != 10 {
		return "", false
	}
	for _, c := range s {
		if !strings.ContainsRune(crockford, c) {
			return "", false
		}
	}
	return s, true
}

// Lookups are the values under which a link ("link") or code ("code") may be
// stored, one for each secret.
func (r *Ring) Lookups(kind, token string) [][]byte {
	var out [][]byte
	for _, s := range r.secrets {
		out = append(out, mac(s.Key, "look-up", kind, token))
	}
	return out
}

// Lookup is the value under which a link or code is stored.
func (r *Ring) Lookup(keyID, kind, token string) ([]byte, error) {
	key, err := r.secret(keyID)
	if err != nil {
		return nil, err
	}
	return mac(key, "look-up", kind, token), nil
}

// Known is a token for a browser in which a teacher signed in.
func (r *Ring) Known(teacher uuid.UUID) string {
	token, _ := NewToken()
	return token + "." + base64.RawURLEncoding.EncodeToString(mac(r.secrets[0].Key, "known", teacher.String(), token))
}

// Knows reports whether a token was given to a browser of this teacher.
func (r *Ring) Knows(known string, teacher uuid.UUID) bool {
	token, sum, _ := strings.Cut(known, ".")
	given, err := base64.RawURLEncoding.DecodeString(sum)
	if err != nil || token == "" {
		return false
	}
	for _, s := range r.secrets {
		if hmac.Equal(given, mac(s.Key, "known", teacher.String(), token)) {
			return true
		}
	}
	return false
}
