package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"os"

	"patient-kitchen/core/science"
	"patient-kitchen/core/text"
)

// compute runs one model of core/science: the document
// {"inputs": {NAME: VALUE}} in, its outputs and what they assume out. Its
// error is a *science.InputError where the input is at fault.
func compute(id string, in io.Reader, out io.Writer) error {
	model, ok := science.Find(id)
	if !ok {
		return &science.InputError{Message: fmt.Sprintf("there is no model %q; compute --list prints them all", id)}
	}
	var document struct {
		Inputs map[string]json.RawMessage `json:"inputs"`
	}
	decoder := json.NewDecoder(in)
	decoder.DisallowUnknownFields()
	err := decoder.Decode(&document)
	if err == nil && document.Inputs == nil {
		err = errors.New("it has no inputs")
	}
	if err == nil && decoder.Decode(new(any)) != io.EOF {
		err = errors.New("something follows the document")
	}
	if err != nil {
		return &science.InputError{
			Message: fmt.Sprintf(
				"standard input cannot be read (%v); it has to be a document such as {\"inputs\": "+
					"{\"length\": \"1 m\"}}",
				err,
			),
		}
	}
	if err := readRecordings(model, document.Inputs); err != nil {
		return err
	}
	outputs, err := model.Run(document.Inputs)
	if err != nil {
		return err
	}
	return writeJSON(out, struct {
		Model   string                   `json:"model"`
		Outputs map[string]science.Value `json:"outputs"`
		Notes   []string                 `json:"notes"`
	}{id, outputs, []string{text.Render(model.Assumes(), "en"), text.Render(model.Note(), "en")}})
}

// readRecordings puts the files in the place of their paths: a model takes
// bytes, the command line is given names.
func readRecordings(model *science.Model, inputs map[string]json.RawMessage) error {
	for _, in := range model.Inputs {
		var path string
		if in.Unit != "recording" || json.Unmarshal(inputs[in.Name], &path) != nil {
			continue // the model says what is missing or of the wrong kind
		}
		file, err := os.ReadFile(path)
		if err != nil {
			return &science.InputError{Input: in.Name, Message: fmt.Sprintf("cannot be read: %v", err)}
		}
		if inputs[in.Name], err = json.Marshal(file); err != nil {
			return err
		}
	}
	return nil
}

// listModels prints every model with its inputs and outputs.
func listModels(out io.Writer) error {
	models := []science.Described{}
	for _, m := range science.Models() {
		models = append(models, m.Describe("en"))
	}
	return writeJSON(out, models)
}

// refuse says on w which input is wrong, as a document for programs.
func refuse(w io.Writer, err *science.InputError) {
	_ = writeJSON(w, map[string]*science.InputError{"error": err})
}

func writeJSON(w io.Writer, v any) error {
	encoder := json.NewEncoder(w)
	encoder.SetEscapeHTML(false)
	encoder.SetIndent("", "  ")
	return encoder.Encode(v)
}
