package keys

import (
	"bytes"
	"strings"
	"testing"

	"github.com/google/uuid"

	"patient-kitchen/internal/config"
)

func TestLinksAndCodes(t *testing.T) {
	old := config.Secret{ID: "a", Key: bytes.Repeat([]byte{1}, 32)}
	ring := NewRing([]config.Secret{{ID: "b", Key: bytes.Repeat([]byte{2}, 32)}, old})
	home, other := uuid.New(), uuid.New()
	link, err := ring.Link("a", home, 1)
	if err != nil || len(link) != 43 {
		t.Fatal(link, err)
	}
	seen := map[string]bool{link: true}
	for _, c := range []struct {
		key  string
		home uuid.UUID
		gen  int
	}{{"b", home, 1}, {"a", home, 2}, {"a", other, 1}} {
		l, err := ring.Link(c.key, c.home, c.gen)
		if err != nil || seen[l] {
			t.Errorf("%v gives the same link", c)
		}
		seen[l] = true
	}
	if again, _ := NewRing([]config.Secret{old}).Link("a", home, 1); again != link {
		t.Error("a link cannot be shown again")
	}
	if _, err := ring.Link("gone", home, 1); err == nil {
		t.Error("a secret that is gone")
	}
	stored, _ := ring.Lookup("a", "link", link)
	found := false
	for _, l := range ring.Lookups("link", link) {
		found = found || bytes.Equal(l, stored)
	}
	if !found {
		t.Error("a link of an older secret is not found")
	}
	code, err := ring.Code("a", home, 1)
	if err != nil {
		t.Fatal(err)
	}
	for _, typed := range []string{code, code[:5] + "-" + code[5:], " " + code[:4] + " " + code[4:]} {
		if got, ok := ReadCode(typed); !ok || got != code {
			t.Errorf("ReadCode(%q) = %q", typed, got)
		}
	}
	if got, ok := ReadCode("oil8oil8oi"); !ok || got != "0118011801" {
		t.Errorf("look-alikes: %q", got)
	}
	for _, bad := range []string{"", "ABC", "ABCDEFGHJKM", "ABCDEFGHJU", "ABCDE*GHJK"} {
		if _, ok := ReadCode(bad); ok {
			t.Errorf("ReadCode(%q) was taken", bad)
		}
	}
}

func TestPasswords(t *testing.T) {
	h := HashPassword("moor and snow")
	if !CheckPassword(h, "moor and snow", false) || !CheckPassword(h, "moor and snow", true) ||
		CheckPassword(h, "moor", true) ||
		CheckPassword("", "", false) ||
		CheckPassword("argon2id$!$!", "x", false) {
		t.Error("a wrong password fits, or the right one does not")
	}
	parts := strings.Split(h, "$")
	if parts[1] != "m=65536,t=3,p=2" {
		t.Errorf("the cost is %s", parts[1])
	}
	if older := parts[0] + "$" + parts[2] + "$" + parts[3]; !CheckPassword(older, "moor and snow", true) {
		t.Error("a hash that says no cost does not fit")
	}
	cheap := Cost{Memory: 64, Passes: 1, Lanes: 1}.Hash("moor and snow")
	if !CheckPassword(cheap, "moor and snow", true) || CheckPassword(cheap, "moor", true) {
		t.Error("a hash of another cost does not fit")
	}
	for _, cost := range []string{"", "m=64", "m=64,t=0,p=1", "m=64,t=1,p=0", "m=64,t=1,p=256", "m=9999999,t=1,p=1"} {
		if CheckPassword(strings.Replace(cheap, "m=64,t=1,p=1", cost, 1), "moor and snow", true) {
			t.Errorf("a hash of the cost %q fits", cost)
		}
	}
	r := NewRing([]config.Secret{{ID: "b", Key: make([]byte, 32)}, {ID: "a", Key: bytes.Repeat([]byte{7}, 32)}})
	older := NewRing([]config.Secret{{ID: "a", Key: bytes.Repeat([]byte{7}, 32)}})
	teacher, other := uuid.New(), uuid.New()
	if known := older.Known(teacher); !r.Knows(known, teacher) || r.Knows(known, other) ||
		r.Knows(known+"x", teacher) ||
		r.Knows(".", teacher) ||
		r.Knows("", teacher) {
		t.Error("a browser is known to somebody else, or not to its teacher")
	}
	if token, hash := NewToken(); !bytes.Equal(HashToken(token), hash) || len(token) != 43 {
		t.Error("token and hash do not belong together")
	}
}
