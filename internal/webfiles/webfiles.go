// Package webfiles carries the built interface (web/, built into dist by
// `npm run build`), so that one binary ships with all its fonts, styles and
// scripts.
//
// It must not serve anything itself.
package webfiles

import (
	"embed"
	"io/fs"
)

//go:embed all:dist
var dist embed.FS

// Files is the built interface; teacher.html and family.html are its pages.
// Without a build it holds only the file keep.
func Files() fs.FS {
	f, err := fs.Sub(dist, "dist")
	if err != nil {
		panic(err)
	}
	return f
}
