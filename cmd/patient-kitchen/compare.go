package main

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"io"
	"os"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
)

// compareClass works a class out from its design and its exported readings, and
// writes the report; with all it also holds what was only looked for afterwards.
// The same files give the same bytes.
func compareClass(designFile, readingsFile string, all bool, out io.Writer) error {
	raw, err := os.ReadFile(designFile)
	if err != nil {
		return fmt.Errorf("%w: %w", errUnreadable, err)
	}
	d, err := design.Read(raw)
	if err != nil {
		return fmt.Errorf("%w: %s: %w", errUnreadable, designFile, err)
	}
	file, err := os.ReadFile(readingsFile)
	if err != nil {
		return fmt.Errorf("%w: %w", errUnreadable, err)
	}
	var readings compare.Readings
	if err := json.Unmarshal(file, &readings); err != nil {
		return fmt.Errorf("%w: %s is not an export of readings: %w", errUnreadable, readingsFile, err)
	}
	homes, err := readings.Books(&d)
	if err != nil {
		return fmt.Errorf("%w: %s: %w", errUnreadable, readingsFile, err)
	}
	report := compare.Work(&d, homes, all)
	report.Made, report.DesignVersion = readings.Made, readings.DesignVersion
	if report.DesignVersion == "" {
		sum := sha256.Sum256(raw)
		report.DesignVersion = hex.EncodeToString(sum[:])
	}
	return writeJSON(out, report)
}
