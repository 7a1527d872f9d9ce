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
	for {
		at := bytes.IndexByte(b, '\\')
		if at < 0 || at+1 >= len(b) {
			return false
		}
		b = b[at:]
		c, ok := escaped(b)
		switch {
		case !ok:
			b = b[2:]
		case c == 0 || low(c) || high(c) && !paired(b):
			return true
		case high(c):
			b = b[12:]
		default:
			b = b[6:]
		}
	}
}

// high and low are the halves of a pair (RFC 8259, 7).
func high(c uint64) bool { return c >= 0xD800 && c <= 0xDBFF }
func low(c uint64) bool  { return c >= 0xDC00 && c <= 0xDFFF }

// paired reports whether the high half that b begins with is followed by its low half.
func paired(b []byte) bool {
	c, ok := escaped(b[6:])
	return ok && low(c)
}

// Mended leaves out of JSON what no text can hold. What stood on both sides of it may make
// another such thing together: it goes on until there is none.
func Mended(b []byte) []byte {
	for Broken(b) {
		b = mended(b)
	}
	return b
}

func mended(b []byte) []byte {
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
		case high(c) && !Broken(b[i:min(i+12, len(b))]):
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
