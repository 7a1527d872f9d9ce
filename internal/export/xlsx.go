package export

import (
	"io"

	"github.com/xuri/excelize/v2"

	"patient-kitchen/core/text"
)

// XLSX writes a workbook: the tables, and a first sheet that explains every
// column. Numbers are numbers and texts are texts: nothing in it is a formula.
func (c *Class) XLSX(w io.Writer) error {
	f := excelize.NewFile()
	defer f.Close()
	bold, err := f.NewStyle(&excelize.Style{Font: &excelize.Font{Bold: true}})
	if err != nil {
		return err
	}
	say := func(id string) string { return text.Render(text.M("export.sheet."+id), c.Language) }
	guide := [][]any{{say("table"), say("column"), say("meaning")}}
	for _, x := range Columns(c.Language) {
		guide = append(guide, []any{say(x.Table), x.Column, x.Words})
	}
	sheets := []struct {
		name  string
		table [][]any
	}{
		{say("columns"), guide},
		{say("readings"), rows(c, readings, c.Readings.Readings)},
		{say("answers"), rows(c, answers, c.Readings.Answers)},
		{say("observations"), rows(c, observations, c.Readings.Observations)},
		{say("results"), rows(c, values, c.values())},
		{say("predictions"), rows(c, verdicts, c.verdicts())},
		{say("findings"), rows(c, findings, c.Report.Findings)},
	}
	for i, s := range sheets {
		if i == 0 {
			err = f.SetSheetName(f.GetSheetName(0), s.name)
		} else {
			_, err = f.NewSheet(s.name)
		}
		if err == nil {
			err = fillSheet(f, s.name, s.table, bold)
		}
		if err != nil {
			return err
		}
	}
	if err := f.SetDocProps(&excelize.DocProperties{Title: c.Experiment + " · " + c.Name, Creator: "Patient Kitchen",
		Language: c.Language}); err != nil {
		return err
	}
	f.SetActiveSheet(1)
	return f.Write(w)
}

func fillSheet(f *excelize.File, name string, table [][]any, bold int) error {
	out, err := f.NewStreamWriter(name)
	if err != nil {
		return err
	}
	head := excelize.Panes{Freeze: true, YSplit: 1, TopLeftCell: "A2", ActivePane: "bottomLeft"}
	if err := out.SetPanes(&head); err != nil {
		return err
	}
	if n := len(table[0]); n > 0 {
		if err := out.SetColWidth(1, n, 16); err != nil {
			return err
		}
	}
	for i, row := range table {
		at, err := excelize.CoordinatesToCellName(1, i+1)
		if err != nil {
			return err
		}
		var style []excelize.RowOpts
		if i == 0 {
			style = append(style, excelize.RowOpts{StyleID: bold})
		}
		if err := out.SetRow(at, row, style...); err != nil {
			return err
		}
	}
	return out.Flush()
}
