package app

import (
	"context"
	"math"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
)

// roundTo rounds a value to what its uncertainty allows.
func roundTo(value, u float64) float64 {
	p := math.Pow10(quantity.Decimals(value, u))
	return math.Round(value*p) / p
}

// Results is the class page of an assignment.
type Results struct {
	Assignment  AssignmentView   `json:"assignment"`
	Question    string           `json:"question"`
	Conditions  []ConditionRow   `json:"conditions"`
	Readings    []ReadingRow     `json:"readings"`
	Slots       []design.Slot    `json:"slots" doc:"Every reading asked for, in order"`
	Derived     []DerivedRow     `json:"derived"`
	Homes       []HomeResult     `json:"homes"`
	Shared      *HomeResult      `json:"shared,omitempty" doc:"The teacher's own readings"`
	Comparisons []ComparisonView `json:"comparisons"`
	Erased      int              `json:"erased" doc:"Homes removed for good"`
	Counted     int              `json:"counted" doc:"Homes whose readings count"`
}

// DerivedRow is a derived value of the design.
type DerivedRow struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Unit    string `json:"unit"`
	Formula string `json:"formula"`
}

// HomeResult is one home's row.
type HomeResult struct {
	Home       *uuid.UUID   `json:"home,omitempty"`
	Nickname   string       `json:"nickname"`
	Letters    string       `json:"letters"`
	Permission string       `json:"permission"`
	State      string       `json:"state" enum:"not-opened,opened,declined,withdrawn,working,sent"`
	Done       int          `json:"done"`
	Steps      int          `json:"steps"`
	SentAt     *time.Time   `json:"sent_at,omitempty"`
	LastSeen   *time.Time   `json:"last_seen,omitempty"`
	Late       bool         `json:"late,omitempty"`
	Cells      []CellView   `json:"cells" doc:"In the order of slots"`
	Results    []ResultView `json:"results"`
	Photos     []uuid.UUID  `json:"photos"`
}

// CellView is one slot of a home.
type CellView struct {
	State   string   `json:"state" enum:"value,needs-reading,not-read,spoiled,not-yet"`
	Value   *float64 `json:"value,omitempty" doc:"In the reading's unit, rounded to its uncertainty"`
	U       *float64 `json:"u,omitempty" doc:"Standard uncertainty in the reading's unit"`
	Text    string   `json:"text,omitempty" doc:"The value in the reading's unit"`
	Typed   string   `json:"typed,omitempty"`
	Reason  string   `json:"reason,omitempty"`
	Flags   []string `json:"flags,omitempty" doc:"Checks that stood when it was kept, and corrected"`
	History int      `json:"history" doc:"How many readings were ever entered here"`
}

// ResultView is one derived value of a home.
type ResultView struct {
	Derived   string   `json:"derived"`
	Condition string   `json:"condition,omitempty"`
	OK        bool     `json:"ok"`
	Value     *float64 `json:"value,omitempty"`
	U         *float64 `json:"u,omitempty"`
	Text      string   `json:"text,omitempty"`
	Working   string   `json:"working,omitempty"`
	Missing   string   `json:"missing,omitempty"`
	Outlier   bool     `json:"outlier,omitempty"`
}

// ComparisonView is a derived value over the class.
type ComparisonView struct {
	Derived  string      `json:"derived"`
	Name     string      `json:"name"`
	Unit     string      `json:"unit"`
	Against  string      `json:"against,omitempty"`
	Groups   []GroupView `json:"groups"`
	Findings []WordsView `json:"findings"`
}

// GroupView is one condition over the class.
type GroupView struct {
	Condition string  `json:"condition"`
	Name      string  `json:"name"`
	N         int     `json:"n"`
	Enough    bool    `json:"enough" doc:"Five homes or more"`
	Mean      float64 `json:"mean"`
	SE        float64 `json:"se" doc:"Standard error of the mean"`
	SD        float64 `json:"sd"`
	Median    float64 `json:"median"`
	Spread    float64 `json:"spread" doc:"Robust spread"`
	Text      string  `json:"text" doc:"Mean with its give or take"`
}

// WordsView is a finding in words.
type WordsView struct {
	Condition string `json:"condition"`
	Words     string `json:"words"`
	Verdict   string `json:"verdict" enum:"supported,not-supported,cannot-tell"`
}

// classBooks reads an assignment's notebooks: one a home, and the shared one.
type classBooks struct {
	class       store.Class
	assignment  store.Assignment
	design      design.Document
	homes       []store.Home
	permissions map[uuid.UUID]PermissionView
	books       map[uuid.UUID]*notebook.Book
	entries     map[uuid.UUID][]store.Entry
	shared      *notebook.Book
	sharedRows  []store.Entry
}

func (a *App) classBooks(ctx context.Context, who TeacherActor, class, assignment uuid.UUID) (*classBooks, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return nil, err
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return nil, notFound(err)
	}
	b := &classBooks{class: c, assignment: as, permissions: map[uuid.UUID]PermissionView{}, books: map[uuid.UUID]*notebook.Book{}, entries: map[uuid.UUID][]store.Entry{}}
	if b.design, err = design.Read(as.Document); err != nil {
		return nil, err
	}
	if b.homes, err = a.Store.Homes(ctx, class); err != nil {
		return nil, err
	}
	permissions, err := a.Store.Permissions(ctx, class, assignment)
	if err != nil {
		return nil, err
	}
	for _, p := range permissions {
		b.permissions[p.HomeID] = viewPermission(p, &b.design)
	}
	rows, err := a.Store.Entries(ctx, class, assignment)
	if err != nil {
		return nil, err
	}
	for _, r := range rows {
		if r.HomeID == nil {
			b.sharedRows = append(b.sharedRows, r)
		} else {
			b.entries[*r.HomeID] = append(b.entries[*r.HomeID], r)
		}
	}
	for _, h := range b.homes {
		w := notebook.Writer{Language: h.Language, System: quantity.System(c.UnitSystem)}
		if b.permissions[h.ID].State == "withdrawn" {
			b.entries[h.ID] = nil // a permission taken back hides the home's items at once
		}
		b.books[h.ID] = openBook(&b.design, b.entries[h.ID], w)
	}
	b.shared = openBook(&b.design, b.sharedRows, notebook.Writer{Language: c.Language, System: quantity.System(c.UnitSystem)})
	return b, nil
}

func openBook(d *design.Document, rows []store.Entry, w notebook.Writer) *notebook.Book {
	entries := make([]notebook.Entry, 0, len(rows))
	for _, r := range rows {
		e, _ := readEntry(r)
		entries = append(entries, e)
	}
	return notebook.Open(d, entries, w)
}

// Results gathers the class page of an assignment in the teacher's language.
func (a *App) Results(ctx context.Context, who TeacherActor, class, assignment uuid.UUID, language string) (Results, error) {
	b, err := a.classBooks(ctx, who, class, assignment)
	if err != nil {
		return Results{}, err
	}
	erased, err := a.Store.CountErased(ctx, class)
	if err != nil {
		return Results{}, err
	}
	d := &b.design
	sheet := makeSheet(b.assignment, d, language, a.Now())
	out := Results{Question: sheet.Question, Conditions: sheet.Conditions, Readings: sheet.Readings, Slots: d.Slots(), Derived: []DerivedRow{},
		Homes: []HomeResult{}, Comparisons: []ComparisonView{}, Erased: erased}
	for _, x := range d.Derived {
		name, _ := x.Name.In(language)
		out.Derived = append(out.Derived, DerivedRow{x.ID, name, x.Unit, x.Formula})
	}
	var counted []compare.Home
	sent := 0
	for _, h := range b.homes {
		book := b.books[h.ID]
		row := homeResult(h, b.permissions[h.ID].State, book, language)
		for _, e := range b.entries[h.ID] {
			row.Late = row.Late || e.Late
		}
		if row.SentAt != nil {
			sent++
		}
		if hasValues(book) {
			counted = append(counted, compare.Home{Key: h.ID.String(), Book: book})
		}
		out.Homes = append(out.Homes, row)
	}
	if len(b.sharedRows) > 0 {
		shared := homeResult(store.Home{}, "", b.shared, language)
		shared.Home, shared.Nickname, shared.Letters, shared.State = nil, "", "", "sent"
		out.Shared = &shared
	}
	out.Counted = len(counted)
	comparisons := compare.Class(d, counted)
	for _, c := range comparisons {
		out.Comparisons = append(out.Comparisons, viewComparison(d, c, language))
	}
	markOutliers(out.Homes, comparisons)
	as := b.assignment
	out.Assignment = AssignmentView{ID: as.ID, Class: class, ClassName: b.class.Name, Experiment: as.ExperimentID, Title: sheet.Title, Number: as.Number, OpensAt: as.OpensAt, DueAt: as.DueAt,
		IssuedAt: as.IssuedAt, RecalledAt: as.RecalledAt, RecallReason: as.RecallReason, Homes: len(b.homes), Sent: sent, State: sheet.State}
	return out, nil
}

func hasValues(b *notebook.Book) bool {
	for i := range b.Cells {
		if b.Cells[i].State == notebook.HasValue {
			return true
		}
	}
	return false
}

func homeResult(h store.Home, permission string, book *notebook.Book, language string) HomeResult {
	id := h.ID
	row := HomeResult{Home: &id, Nickname: h.Nickname, Letters: h.Letters, Permission: permission, SentAt: book.SentAt, Cells: []CellView{}, Results: []ResultView{}, Photos: []uuid.UUID{}}
	row.Done, row.Steps = book.Progress()
	if !book.LastSeen.IsZero() {
		seen := book.LastSeen
		row.LastSeen = &seen
	}
	switch {
	case permission == "withdrawn" || permission == "declined":
		row.State = permission
	case book.SentAt != nil:
		row.State = "sent"
	case permission == "granted" || row.Done > 0:
		row.State = "working"
	case h.OpenedAt != nil:
		row.State = "opened"
	default:
		row.State = "not-opened"
	}
	for i := range book.Cells {
		row.Cells = append(row.Cells, viewCell(&book.Cells[i], language))
	}
	for _, r := range notebook.Derive(book) {
		row.Results = append(row.Results, viewResult(r, language))
	}
	for _, p := range book.Photos {
		if m, err := uuid.Parse(p.Refers); err == nil {
			row.Photos = append(row.Photos, m)
		}
	}
	return row
}

func viewCell(c *notebook.Cell, language string) CellView {
	v := CellView{State: string(c.State), Reason: c.Reason, History: len(c.History)}
	if c.Entry != nil {
		v.Typed = c.Entry.Typed
	}
	if c.State == notebook.HasValue {
		q := c.Understood.InUnit
		value, u := roundTo(q.Value, q.U), q.U
		v.Value, v.U = &value, &u
		v.Text = q.Bare().Show(language)
	}
	for _, k := range c.Understood.Checks {
		v.Flags = append(v.Flags, k.Code)
	}
	if len(c.History) > 1 {
		v.Flags = append(v.Flags, "corrected")
	}
	return v
}

func viewResult(r notebook.Result, language string) ResultView {
	v := ResultView{Derived: r.Derived, Condition: r.Condition, OK: r.OK}
	if !r.OK {
		v.Missing = text.Render(r.Missing, language)
		return v
	}
	value, u := r.Value.Value, r.Value.U
	v.Value, v.U, v.Text, v.Working = &value, &u, r.Value.Show(language), r.Working
	return v
}

func viewComparison(d *design.Document, c compare.Comparison, language string) ComparisonView {
	v := ComparisonView{Derived: c.Derived, Unit: c.Unit.Label(), Against: c.Against, Groups: []GroupView{}, Findings: []WordsView{}}
	for _, x := range d.Derived {
		if x.ID == c.Derived {
			v.Name, _ = x.Name.In(language)
		}
	}
	for _, g := range c.Groups {
		name := ""
		if k, ok := d.Condition(g.Condition); ok {
			name, _ = k.Name.In(language)
		}
		gv := GroupView{Condition: g.Condition, Name: name, N: g.Summary.N, Enough: g.Enough, Mean: g.Summary.Mean, SE: g.Mean.U, SD: g.Summary.SD, Median: g.Summary.Median, Spread: g.Summary.Spread}
		if g.Summary.N > 0 {
			gv.Text = g.Mean.Show(language)
		}
		v.Groups = append(v.Groups, gv)
	}
	for _, f := range c.Findings {
		v.Findings = append(v.Findings, WordsView{f.Condition, text.Render(f.Words, language), string(f.Verdict)})
	}
	return v
}

func markOutliers(homes []HomeResult, comparisons []compare.Comparison) {
	apart := map[string]bool{}
	for _, c := range comparisons {
		for _, g := range c.Groups {
			for _, p := range g.Points {
				if p.Outlier {
					apart[p.Key+c.Derived+g.Condition] = true
				}
			}
		}
	}
	for i := range homes {
		for k := range homes[i].Results {
			r := &homes[i].Results[k]
			r.Outlier = apart[homes[i].Home.String()+r.Derived+r.Condition]
		}
	}
}

// NotebookLine is one entry of a home's notebook, corrections included.
type NotebookLine struct {
	EntryView
	Fate       string    `json:"fate,omitempty" enum:"counts,corrected,superseded,spoiled" doc:"Of a reading"`
	FateReason string    `json:"fate_reason,omitempty"`
	MeasuredAt time.Time `json:"measured_at" doc:"By the phone, in the server's time"`
}

// NotebookView is a home's whole notebook.
type NotebookView struct {
	Result HomeResult     `json:"result"`
	Lines  []NotebookLine `json:"lines"`
}

// Notebook opens one home's notebook of an assignment.
func (a *App) Notebook(ctx context.Context, who TeacherActor, class, assignment, home uuid.UUID, language string) (NotebookView, error) {
	b, err := a.classBooks(ctx, who, class, assignment)
	if err != nil {
		return NotebookView{}, err
	}
	for _, h := range b.homes {
		if h.ID != home {
			continue
		}
		book := b.books[home]
		out := NotebookView{Result: homeResult(h, b.permissions[home].State, book, language), Lines: []NotebookLine{}}
		fates := map[string]notebook.Line{}
		for i := range book.Cells {
			for _, l := range book.Cells[i].History {
				fates[l.Entry.ID] = l
			}
		}
		for _, row := range b.entries[home] {
			e, _ := readEntry(row)
			line := NotebookLine{EntryView: viewEntry(&b.design, row, book.Writer), MeasuredAt: e.Measured()}
			if f, ok := fates[e.ID]; ok {
				line.Fate, line.FateReason = f.Fate, f.Reason
			}
			out.Lines = append(out.Lines, line)
		}
		return out, nil
	}
	return NotebookView{}, ErrNotFound
}

// OwnResult is a home's own result, worked out with its own numbers, or with
// the teacher's shared ones for a home that watches.
type OwnResult struct {
	Shared   bool         `json:"shared" doc:"The numbers are the teacher's"`
	Derived  []DerivedRow `json:"derived"`
	Results  []ResultView `json:"results"`
	Sentence []string     `json:"sentences" doc:"What this home alone can tell"`
	SentAt   *time.Time   `json:"sent_at,omitempty"`
}

// OwnResult works out a home's own result.
func (a *App) OwnResult(ctx context.Context, who HomeActor, assignment uuid.UUID) (OwnResult, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return OwnResult{}, err
	}
	as, err := a.Store.Assignment(ctx, who.Class, assignment)
	if err != nil {
		return OwnResult{}, notFound(err)
	}
	d, err := design.Read(as.Document)
	if err != nil {
		return OwnResult{}, err
	}
	permissions, err := a.Store.HomePermissions(ctx, who.Class, who.Home)
	if err != nil {
		return OwnResult{}, err
	}
	watching := d.Way == design.WatchShared
	for _, p := range permissions {
		watching = watching || p.AssignmentID == assignment && p.Kind == "declined"
	}
	own, err := a.Store.HomeEntries(ctx, who.Class, who.Home)
	if err != nil {
		return OwnResult{}, err
	}
	rows := own
	if watching {
		if rows, err = a.Store.SharedEntries(ctx, who.Class); err != nil {
			return OwnResult{}, err
		}
	}
	book := openBook(&d, ofAssignment(rows, assignment), hc.writer)
	out := OwnResult{Shared: watching, Derived: []DerivedRow{}, Results: []ResultView{}, Sentence: []string{}, SentAt: openBook(&d, ofAssignment(own, assignment), hc.writer).SentAt}
	for _, x := range d.Derived {
		name, _ := x.Name.In(hc.home.Language)
		out.Derived = append(out.Derived, DerivedRow{x.ID, name, x.Unit, x.Formula})
	}
	for _, r := range notebook.Derive(book) {
		out.Results = append(out.Results, viewResult(r, hc.home.Language))
	}
	for _, m := range compare.Alone(book) {
		out.Sentence = append(out.Sentence, text.Render(m, hc.home.Language))
	}
	return out, nil
}

func ofAssignment(rows []store.Entry, assignment uuid.UUID) []store.Entry {
	var out []store.Entry
	for _, r := range rows {
		if r.AssignmentID == assignment {
			out = append(out, r)
		}
	}
	return out
}
