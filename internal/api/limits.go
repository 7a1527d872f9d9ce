package api

import (
	"net/http"

	"github.com/go-chi/httprate"
)

// usualLimit is the coarse shield's requests a minute from one address; a
// whole school can sit behind one.
const usualLimit = 3000

// readyLimit is how often a minute one address may ask whether a write is taken.
const readyLimit = 60

// tooMany answers whoever asks too often; when to come again stands in a header.
var tooMany = httprate.WithLimitHandler(func(w http.ResponseWriter, _ *http.Request) {
	writeProblem(w, problem(429, "too-often", "too-often", "too-often"))
})

// network is what tries are counted by.
func (s *Server) network(r *http.Request) (string, error) {
	return networkOf(clientAddress(r, s.Proxy)), nil
}
