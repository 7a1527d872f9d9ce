package kitchens

import (
	"strings"
	"testing"
	"time"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
	"patient-kitchen/docs"
)

// What is packed holds a tenth more than the sheet asks for, for spoiled tries; what is
// lent is told from what is sent, and nothing goes to who only looks on.
func TestPacking(t *testing.T) {
	raw, err := docs.Example("sour-lemon")
	if err != nil {
		t.Fatal(err)
	}
	d, err := design.Read(raw)
	if err != nil {
		t.Fatal(err)
	}
	none := map[string]kitchen.Answer{"baking-soda": kitchen.None}
	class := kitchen.Class{
		Homes: []kitchen.Kitchen{{Home: "a", Things: none}, {Home: "b", Things: none},
			{Home: "c", Otherwise: true, Things: none}},
	}
	for _, h := range class.Homes {
		class.Pins = append(class.Pins, kitchen.Pin{Home: h.Home, Need: "soda", Material: "baking-soda"})
	}
	plan := fit.SuppliesOf(&d).Fit(class)
	list := packed(plan, map[string]string{"a": "Fern", "b": "Beck", "c": "Moss"}, "en", func(c fit.Choice) bool {
		return c.Kit
	})
	if late := TooLate(plan, 36*time.Hour, "en"); strings.Join(late, " ") != "baking soda" {
		t.Errorf("within a day and a half there are not: %v", late)
	}
	if late := TooLate(plan, 72*time.Hour, "en"); len(late) != 0 {
		t.Errorf("within three days there are not: %v", late)
	}
	for _, p := range list {
		if p.Name != "baking soda" {
			continue
		}
		if p.Lent || strings.Join(p.Homes, " ") != "Fern Beck" || p.Each != "22\u00a0g" || p.Total != "44\u00a0g" ||
			p.Get != "supermarket, allow 2 days" { // the sheet asks for 20 g
			t.Errorf("%+v", p)
		}
		return
	}
	t.Errorf("no soda is sent: %+v", list)
}
