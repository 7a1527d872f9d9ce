package api

import (
	"bytes"
	"context"
	"io"
	"net/http"
	"net/url"
	"strings"
	"time"
	"unicode/utf8"

	"patient-kitchen/core/strict"
	"patient-kitchen/core/text"
)

// maxHeld is how much of an answer is held back until it is whole; a larger
// one is a picture or an export, which is sent as it is made.
const maxHeld = 4 << 20

// held holds an answer back until its handler has ended well, so that a fault
// in the middle of writing it is answered as a fault and not as half an answer
// under a good status.
type held struct {
	http.ResponseWriter
	status int
	body   bytes.Buffer
	open   bool // what follows goes straight through
}

func (h *held) WriteHeader(status int) {
	if h.open {
		h.ResponseWriter.WriteHeader(status)
	} else if h.status == 0 {
		h.status = status
	}
}

func (h *held) Write(b []byte) (int, error) {
	if !h.open && h.body.Len()+len(b) > maxHeld {
		if err := h.release(); err != nil {
			return 0, err
		}
	}
	if h.open {
		return h.ResponseWriter.Write(b)
	}
	return h.body.Write(b)
}

func (h *held) release() error {
	if h.open {
		return nil
	}
	h.open = true
	if h.status != 0 {
		h.ResponseWriter.WriteHeader(h.status)
	}
	_, err := h.ResponseWriter.Write(h.body.Bytes())
	h.body.Reset()
	return err
}

// FlushError sends what there is: a stream is not held back.
func (h *held) FlushError() error {
	if err := h.release(); err != nil {
		return err
	}
	return http.NewResponseController(h.ResponseWriter).Flush()
}

// Flush is described at FlushError.
func (h *held) Flush() { _ = h.FlushError() }

// Unwrap gives the connection to a response controller.
func (h *held) Unwrap() http.ResponseWriter { return h.ResponseWriter }

func whole(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		h := &held{ResponseWriter: w}
		next.ServeHTTP(h, r) // a panic passes: nothing was sent
		if !h.open && (h.status != 0 || h.body.Len() > 0) {
			_ = h.release()
		}
	})
}

// answerWithin is how long an answer may take; streams, pictures and files
// have longer.
const answerWithin = 12 * time.Second

// isMedia reports whether a path is that of a picture, clip or sound, which is no text.
func isMedia(path string) bool {
	return strings.Contains(path, "/photos/") || strings.Contains(path, "/recordings/") ||
		strings.Contains(path, "/pictures") || strings.HasSuffix(path, "/experiment-files")
}

// inTime ends what takes too long, above all a database that does not answer.
func inTime(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		p := r.URL.Path
		if strings.HasSuffix(p, "/live") || isMedia(p) || strings.Contains(p, "/export.") ||
			strings.HasSuffix(p, "/archive.zip") {
			next.ServeHTTP(w, r)
			return
		}
		ctx, cancel := context.WithTimeout(r.Context(), answerWithin)
		defer cancel()
		next.ServeHTTP(w, r.WithContext(ctx))
	})
}

// maxText is the largest request that is read, within the server's time for
// reading; the routes have smaller limits of their own.
const maxText = 24 << 20

// wellFormed refuses what no text can hold: NUL, bytes that are no UTF-8, half
// of a pair. The database takes none of them, so that a phone would send them
// again and again.
func wellFormed(next http.Handler) http.Handler {
	return http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		kind, _, _ := strings.Cut(r.Header.Get("Content-Type"), ";")
		kind = strings.ToLower(strings.TrimSpace(kind))
		what := ""
		if badQuery(r.URL.EscapedPath()) || badQuery(r.URL.RawQuery) {
			what = "the address"
		} else if r.Body != nil && r.Body != http.NoBody && !isMedia(r.URL.Path) {
			body, err := io.ReadAll(http.MaxBytesReader(w, r.Body, maxText))
			if err != nil {
				writeProblem(w, problem(413, "too-large", "too-large", "too-large"))
				return
			}
			if text := kind == "" || strings.HasSuffix(kind, "json") ||
				strings.HasPrefix(kind, "text/"); text && strict.Broken(body) {
				if strings.Contains(r.URL.Path, "/incidents/") {
					body = strict.Mended(body) // a call for help is always taken
				} else {
					what = "the body"
				}
			}
			r.Body = io.NopCloser(bytes.NewReader(body))
		}
		if what != "" {
			writeProblem(
				w,
				problem(
					422,
					"invalid",
					"not-valid",
					"invalid.text",
				).about(what, text.Message{ID: "rule.plain-text"}, "a text as it is typed"),
			)
			return
		}
		next.ServeHTTP(w, r)
	})
}

// badQuery reports whether a part of an address holds what no text can.
func badQuery(s string) bool {
	plain, err := url.PathUnescape(s)
	return err != nil || !utf8.ValidString(plain) || strings.ContainsRune(plain, 0)
}
