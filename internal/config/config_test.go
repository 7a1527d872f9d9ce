package config

import (
	"strings"
	"testing"
)

func TestLoad(t *testing.T) {
	key := strings.Repeat("ab", 32)
	good := map[string]string{
		"PK_DATABASE_URL": "postgres://x",
		"PK_PUBLIC_URL":   "https://kitchen.example.org/",
		"PK_SECRETS":      "b:" + key + ",a:" + key,
	}
	load := func(change map[string]string) (Config, error) {
		return Load(func(name string) (string, bool) {
			if v, ok := change[name]; ok {
				return v, true
			}
			v, ok := good[name]
			return v, ok
		})
	}
	c, err := load(nil)
	if err != nil || c.PublicURL != "https://kitchen.example.org" || c.Listen != "127.0.0.1:8080" ||
		len(c.Secrets) != 2 ||
		c.Secrets[0].ID != "b" ||
		!c.Secure() {
		t.Errorf("%+v, %v", c, err)
	}
	for name, bad := range map[string][]string{
		"PK_DATABASE_URL": {""},
		"PK_LISTEN":       {"8080", "somewhere"},
		"PK_PUBLIC_URL":   {"", "kitchen", "ftp://x", "http://kitchen.example.org", "https://x/path"},
		"PK_HOME_LIMITS":  {"many", "1,2", "0,1,1", "1,2,3,4", "1,2,x"},
		"PK_TRUST_PROXY":  {"yes", "10", "10.0.0.0/99", "proxy.example"},
		"PK_SECRETS":      {"", "a", "a:zz", "a:abcd", "a:" + key + ",a:" + key, ":" + key},
	} {
		for _, v := range bad {
			if _, err := load(map[string]string{name: v}); err == nil || !strings.Contains(err.Error(), name) {
				t.Errorf("%s=%q: %v", name, v, err)
			}
		}
	}
	if _, err := Load(func(string) (string, bool) { return "", false }); err == nil ||
		strings.Count(err.Error(), "\n") < 2 {
		t.Errorf("all faults at once: %v", err)
	}
}
