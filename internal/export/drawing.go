package export

import (
	"encoding/xml"
	"fmt"
	"io"
	"strings"
)

// Drawing writes the strokes of a drawing as a picture (SVG 1.1): points x,y in
// thousandths of its width; it is three quarters as high. A dot goes to itself.
func Drawing(w io.Writer, title string, strokes []string) error {
	var name strings.Builder
	if err := xml.EscapeText(&name, []byte(title)); err != nil {
		return err
	}
	var path strings.Builder
	for _, s := range strokes {
		points := strings.Fields(s)
		if len(points) == 1 {
			points = append(points, points[0])
		}
		for i, p := range points {
			path.WriteString([]string{"M", "L"}[min(i, 1)] + p + " ")
		}
	}
	_, err := fmt.Fprintf(w,
		`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 1000 750" width="1000" height="750"><title>%s</title>`+
			`<path d="%s" fill="none" stroke="#000" stroke-width="6" stroke-linecap="round" stroke-linejoin="round"/></svg>`,
		name.String(), strings.TrimSpace(path.String()))
	return err
}
