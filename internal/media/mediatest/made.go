// Package mediatest makes clips and sounds for tests.
package mediatest

import (
	"os"
	"os/exec"
	"path/filepath"
	"testing"
)

// Made is a file that ffmpeg makes of a picture that moves and a tone, with a title and a
// place in it; its name's ending says in which form. Without ffmpeg the test is skipped,
// or fails where ./test has put it there.
func Made(t testing.TB, name string, options ...string) []byte {
	t.Helper()
	program, err := exec.LookPath("ffmpeg")
	if err != nil {
		if os.Getenv("PK_TEST_DATABASE") != "" {
			t.Fatal("ffmpeg is not there: run ./test")
		}
		t.Skip("ffmpeg is not there: run ./test")
	}
	path := filepath.Join(t.TempDir(), name)
	args := append([]string{"-v", "error", "-y"}, options...)
	args = append(args, "-metadata", "title=Our kitchen", "-metadata", "location=+50.5686-003.9104/", path)
	if out, err := exec.Command(program, args...).CombinedOutput(); err != nil {
		t.Fatalf("%v: %s", err, out)
	}
	return must(t)(os.ReadFile(path))
}

// Clip is a clip of some seconds with a tone.
func Clip(t testing.TB, name, seconds string) []byte {
	t.Helper()
	return Made(t, name, "-f", "lavfi", "-i", "testsrc=size=320x240:rate=15:duration="+seconds,
		"-f", "lavfi", "-i", "sine=frequency=440:duration="+seconds)
}

// Sound is a tone of some seconds.
func Sound(t testing.TB, name, seconds string) []byte {
	t.Helper()
	return Made(t, name, "-f", "lavfi", "-i", "sine=frequency=440:duration="+seconds)
}

func must(t testing.TB) func([]byte, error) []byte {
	return func(b []byte, err error) []byte {
		t.Helper()
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
}
