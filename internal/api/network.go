package api

import (
	"net/http"
	"net/netip"
	"strings"

	"patient-kitchen/internal/config"
)

// clientAddress is the address that a request came from: the peer's, or behind
// proxies that are trusted the one that the last of them appended. Whatever
// else a client writes into the header stands further left and is not looked
// at; other headers say nothing.
func clientAddress(r *http.Request, p config.Proxies) netip.Addr {
	peer := addressOf(r.RemoteAddr)
	if p.Hops == 0 && len(p.Networks) == 0 {
		return peer
	}
	way := strings.Split(strings.Join(r.Header.Values("X-Forwarded-For"), ","), ",")
	client := peer
	for i := len(way) - 1; i >= 0; i-- {
		hop := len(way) - 1 - i
		trusted := hop < p.Hops
		for _, n := range p.Networks {
			trusted = trusted || n.Contains(client)
		}
		next := addressOf(way[i])
		if !trusted || !next.IsValid() {
			break
		}
		client = next
	}
	return client
}

func addressOf(s string) netip.Addr {
	s = strings.TrimSpace(s)
	if p, err := netip.ParseAddrPort(s); err == nil {
		return p.Addr().Unmap()
	}
	a, _ := netip.ParseAddr(strings.Trim(s, "[]"))
	return a.Unmap()
}

// networkOf is what tries are counted by: an IPv4 address, or the /64 that one
// customer of a provider has.
func networkOf(a netip.Addr) string {
	if a.Is6() {
		if p, err := a.WithZone("").Prefix(64); err == nil {
			return p.String()
		}
	}
	return a.String()
}
