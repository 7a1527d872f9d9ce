package main

import (
	"fmt"
	"io"
	"os"

	"patient-kitchen/core/design"
	"patient-kitchen/core/fit"
	"patient-kitchen/core/kitchen"
)

// fitClass plans a design for the kitchens of a class, and writes the plans. The same
// files give the same bytes.
func fitClass(designFile, kitchensFile string, out io.Writer) error {
	raw, err := os.ReadFile(designFile)
	if err != nil {
		return fmt.Errorf("%w: %w", errUnreadable, err)
	}
	d, err := design.Read(raw)
	if err != nil {
		return fmt.Errorf("%w: %s: %w", errUnreadable, designFile, err)
	}
	file, err := os.ReadFile(kitchensFile)
	if err != nil {
		return fmt.Errorf("%w: %w", errUnreadable, err)
	}
	class, err := kitchen.Read(file)
	if err != nil {
		return fmt.Errorf("%w: %s: %w", errUnreadable, kitchensFile, err)
	}
	ways := fit.SuppliesOf(&d)
	return writeJSON(out, ways.ReportOf(class, ways.Fit(class)))
}
