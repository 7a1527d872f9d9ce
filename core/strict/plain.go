package strict

import (
	"bytes"
	"strconv"
	"unicode/utf8"
)

// Broken reports whether JSON or plain text holds NUL, bytes that are no
// UTF-8, or an escape that is half of a pair.
func Broken(b []byte) bool {
	if bytes.IndexByte(b, 0) >= 0 || !utf8.Valid(b) {
		return true
	}
	for i := 0; ; {
		at := bytes.IndexByte(b[i:], '\\')
		if at < 0 || i+at+1 >= len(b) {
			return false
		}
		i += at
		if b[i+1] != 'u' {
			i += 2
			continue
		}
		c, ok := escaped(b[i:])
		switch {
		case !ok:
			i += 2
		case c == 0 || c >= 0xDC00 && c <= 0xDFFF:
			return true
		case c >= 0xD800 && c <= 0xDBFF:
			if low, ok := escaped(b[i+6:]); !ok || low < 0xDC00 || low > 0xDFFF {
				return true
			}
			i += 12
		default:
			i += 6
		}
	}
}

// Mended leaves out of JSON what no text can hold.
func Mended(b []byte) []byte {
	b = bytes.ReplaceAll(bytes.ToValidUTF8(b, nil), []byte{0}, nil)
	out := make([]byte, 0, len(b))
	for i := 0; i < len(b); {
		c, ok := escaped(b[i:])
		switch {
		case !ok && b[i] == '\\' && i+1 < len(b):
			out = append(out, b[i], b[i+1])
			i += 2
		case !ok:
			out = append(out, b[i])
			i++
		case c >= 0xD800 && c <= 0xDBFF && !Broken(b[i:min(i+12, len(b))]):
			out = append(out, b[i:i+12]...)
			i += 12
		case Broken(b[i : i+6]):
			i += 6
		default:
			out = append(out, b[i:i+6]...)
			i += 6
		}
	}
	return out
}

// escaped reads \uXXXX at the beginning of b.
func escaped(b []byte) (uint64, bool) {
	if len(b) < 6 || b[0] != '\\' || b[1] != 'u' {
		return 0, false
	}
	c, err := strconv.ParseUint(string(b[2:6]), 16, 32)
	return c, err == nil
}
