package api

import (
	"net/http"
	"testing"

	"patient-kitchen/internal/config"
)

// The client is who the last trusted proxy says; what it writes itself, into
// this header or another, changes nothing.
func TestClientAddress(t *testing.T) {
	load := func(trust string) config.Proxies {
		c, _ := config.Load(
			func(name string) (string, bool) { return map[string]string{"PK_TRUST_PROXY": trust}[name], true },
		)
		return c.TrustProxy
	}
	for _, c := range []struct{ trust, peer, forwarded, want string }{
		{"", "203.0.113.9:4000", "198.51.100.1", "203.0.113.9"},
		{"0", "203.0.113.9:4000", "198.51.100.1", "203.0.113.9"},
		{"1", "10.0.0.2:4000", "203.0.113.9", "203.0.113.9"},
		{"1", "10.0.0.2:4000", "198.51.100.1, 203.0.113.9", "203.0.113.9"},
		{"1", "10.0.0.2:4000", "", "10.0.0.2"},
		{"1", "10.0.0.2:4000", "203.0.113.9, not an address", "10.0.0.2"},
		{"2", "10.0.0.2:4000", "198.51.100.1, 203.0.113.9, 10.0.0.7", "203.0.113.9"},
		{"10.0.0.0/8", "10.0.0.2:4000", "198.51.100.1, 203.0.113.9, 10.0.0.7", "203.0.113.9"},
		{"10.0.0.0/8", "203.0.113.50:4000", "198.51.100.1", "203.0.113.50"},
		{"10.0.0.2,192.0.2.0/24", "10.0.0.2:4000", "192.0.2.4", "192.0.2.4"},
		{"1", "[2001:db8::2]:4000", "2001:db8:1:2:3:4:5:6", "2001:db8:1:2::/64"},
		{"", "[2001:db8:1:2:aaaa::1]:4000", "", "2001:db8:1:2::/64"},
		{"", "[::ffff:203.0.113.9]:4000", "", "203.0.113.9"},
	} {
		r := &http.Request{
			RemoteAddr: c.peer,
			Header: http.Header{
				"X-Real-Ip":      {"192.0.2.200"},
				"True-Client-Ip": {"192.0.2.201"},
				"Forwarded":      {"for=192.0.2.202"},
			},
		}
		if c.forwarded != "" {
			r.Header.Set("X-Forwarded-For", c.forwarded)
		}
		if got := networkOf(clientAddress(r, load(c.trust))); got != c.want {
			t.Errorf("%q, %s, %q: %s, want %s", c.trust, c.peer, c.forwarded, got, c.want)
		}
	}
}
