// Package docs carries the published example experiments, so that the demo,
// the library and the tests use the very files a reader finds.
//
// It must not hold anything but embedded documents.
package docs

import "embed"

// Examples holds examples/*.json; those named broken-* are invalid on purpose.
//
//go:embed examples/*.json
var Examples embed.FS
