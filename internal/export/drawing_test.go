package export_test

import (
	"bytes"
	"encoding/xml"
	"testing"

	"patient-kitchen/internal/export"
)

func TestDrawing(t *testing.T) {
	var out bytes.Buffer
	if err := export.Drawing(&out, `Fern & "the jar" <now>`, []string{"100,200 140,260 150,300", "500,500"}); err != nil {
		t.Fatal(err)
	}
	var svg struct {
		Title string `xml:"title"`
		Path  struct {
			D string `xml:"d,attr"`
		} `xml:"path"`
	}
	if err := xml.Unmarshal(out.Bytes(), &svg); err != nil {
		t.Fatal(err)
	}
	if svg.Title != `Fern & "the jar" <now>` || svg.Path.D != "M100,200 L140,260 L150,300 M500,500 L500,500" {
		t.Errorf("%+v", svg)
	}
}
