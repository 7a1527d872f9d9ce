package golden

import (
	"os"
	"testing"
)

// What is written anew is the same when it is read again.
func TestSame(t *testing.T) {
	t.Chdir(t.TempDir())
	*update = true
	Same(t, "thing", map[string]string{"name": "a <jar>"})
	*update = false
	Same(t, "thing", map[string]string{"name": "a <jar>"})
	raw, err := os.ReadFile("testdata/thing.json")
	if err != nil || string(raw) != "{\n  \"name\": \"a <jar>\"\n}\n" {
		t.Errorf("%s, %v", raw, err)
	}
}
