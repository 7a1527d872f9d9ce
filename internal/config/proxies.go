package config

import (
	"errors"
	"net/netip"
	"strconv"
	"strings"
)

// Proxies are the reverse proxies that are trusted to say where a request came
// from: so many hops, or those in some networks.
type Proxies struct {
	Hops     int
	Networks []netip.Prefix
}

func parseProxies(s string) (Proxies, error) {
	var p Proxies
	if s == "" {
		return p, nil
	}
	if n, err := strconv.Atoi(s); err == nil && n >= 0 && n <= 9 {
		p.Hops = n
		return p, nil
	}
	for _, part := range strings.Split(s, ",") {
		part = strings.TrimSpace(part)
		n, err := netip.ParsePrefix(part)
		if err != nil {
			a, err := netip.ParseAddr(part)
			if err != nil {
				return p, errors.New(
					"PK_TRUST_PROXY cannot be read; give the number of proxies in front, such as 1, or their " +
						"networks, such as 10.0.0.0/8,192.0.2.7",
				)
			}
			n = netip.PrefixFrom(a, a.BitLen())
		}
		p.Networks = append(p.Networks, n.Masked())
	}
	return p, nil
}
