package app

import (
	"context"
	"slices"

	"github.com/google/uuid"

	"patient-kitchen/core/compare"
	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// classBooks are an assignment's notebooks: one a home, and the shared one.
type classBooks struct {
	class       store.Class
	assignment  store.Assignment
	design      *issued
	doings      map[uuid.UUID]doing // of homes that have a plan
	homes       []store.Home
	permissions map[uuid.UUID]sheets.PermissionView
	books       map[uuid.UUID]*notebook.Book
	entries     map[uuid.UUID][]store.Entry
	shared      *notebook.Book
	sharedRows  []store.Entry
	teacher     string // name; "" until it is asked for
}

// classBooks opens the notebooks of an assignment: of some homes, or of all where
// none is named.
func (a *App) classBooks(
	ctx context.Context,
	who TeacherActor,
	class, assignment uuid.UUID,
	homes ...uuid.UUID,
) (*classBooks, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return nil, err
	}
	as, err := a.Store.Assignment(ctx, class, assignment)
	if err != nil {
		return nil, notFound(err)
	}
	b := &classBooks{
		class:       c,
		assignment:  as,
		permissions: map[uuid.UUID]sheets.PermissionView{},
		books:       map[uuid.UUID]*notebook.Book{},
		entries:     map[uuid.UUID][]store.Entry{},
	}
	if b.design, err = a.issued(ctx, as); err != nil {
		return nil, err
	}
	if b.homes, err = a.Store.Homes(ctx, class); err != nil {
		return nil, err
	}
	if len(homes) > 0 {
		b.homes = slices.DeleteFunc(b.homes, func(h store.Home) bool { return !slices.Contains(homes, h.ID) })
	}
	permissions, err := a.Store.Permissions(ctx, class, assignment)
	if err != nil {
		return nil, err
	}
	if b.doings, err = a.plansOf(ctx, b.design, class, assignment); err != nil {
		return nil, err
	}
	for _, p := range permissions {
		b.permissions[p.HomeID] = viewPermission(p, b.doing(p.HomeID))
	}
	for _, h := range b.homes {
		if b.doing(h.ID).Way == design.WatchShared {
			b.permissions[h.ID] = sheets.PermissionView{State: "watching"}
		}
	}
	if err := a.readRows(ctx, b); err != nil {
		return nil, err
	}
	known, err := factsOf(ctx, &a.Store.Queries, class)
	if err != nil {
		return nil, err
	}
	for _, h := range b.homes {
		w := notebook.Writer{Language: text.In(h.Language, c.Zone), System: quantity.System(c.UnitSystem)}
		d := b.doing(h.ID)
		guards := d.guarded(known(h.ID), b.permissions[h.ID].Without)
		if b.permissions[h.ID].State == "withdrawn" {
			b.entries[h.ID] = nil // a permission taken back hides the home's items at once
			b.books[h.ID] = openBook(d.Document, nil, w, guards)
			continue
		}
		b.books[h.ID] = a.shelf.book(d.Document, [2]uuid.UUID{assignment, h.ID}, b.entries[h.ID], w, guards)
	}
	b.shared = openBook(
		b.design.Document,
		b.sharedRows,
		notebook.Writer{Language: text.In(c.Language, c.Zone), System: quantity.System(c.UnitSystem)},
		nil,
	)
	return b, nil
}

// compared is a home as it is compared: with what it used instead.
func (b *classBooks) compared(home uuid.UUID, key string, book *notebook.Book) compare.Home {
	h := compare.Home{Key: key, Book: book}
	if plan := b.doing(home).plan; plan != nil {
		if h.Uses = plan.Report.Uses(); h.Uses != nil {
			h.Class = plan.Report.Class
		}
	}
	return h
}

// doing is the assignment as a home does it.
func (b *classBooks) doing(home uuid.UUID) doing {
	if d, ok := b.doings[home]; ok {
		return d
	}
	return unplanned(b.design)
}

func openBook(d *design.Document, rows []store.Entry, w notebook.Writer, g notebook.Guards) *notebook.Book {
	entries := make([]notebook.Entry, 0, len(rows))
	for _, r := range rows {
		e, _ := readEntry(r)
		entries = append(entries, e)
	}
	return notebook.Open(d, entries, w, g)
}

// Results gathers the class page of an assignment in the teacher's language.
func (a *App) Results(
	ctx context.Context,
	who TeacherActor,
	class, assignment uuid.UUID,
	language string,
) (results.Results, error) {
	b, err := a.classBooks(ctx, who, class, assignment)
	if err != nil {
		return results.Results{}, err
	}
	erased, err := a.Store.CountErased(ctx, class)
	if err != nil {
		return results.Results{}, err
	}
	d := b.design.Document
	sheet := b.design.sheet(b.assignment, language, a.Now())
	out := results.Results{
		Question:    sheet.Question,
		Conditions:  results.Lanes(sheet),
		Objects:     sheet.Objects,
		Readings:    sheet.Readings,
		Slots:       d.Slots(),
		Derived:     []results.DerivedRow{},
		Homes:       []results.HomeResult{},
		Comparisons: []results.ComparisonView{},
		AsSent:      []results.ComparisonView{},
		Apart:       []results.SideView{},
		Said:        []results.AnsweredView{},
		Heaps:       []results.HeapsView{},
		Erased:      erased,
	}
	for _, x := range d.Outcomes() {
		name, _ := x.Name.In(language)
		out.Derived = append(out.Derived, results.DerivedRow{ID: x.ID, Name: name, Unit: x.Unit, Formula: x.Formula})
	}
	var counted []compare.Home
	sent := 0
	for _, h := range b.homes {
		book := b.books[h.ID]
		row := results.ViewHome(homeOf(h), b.permissions[h.ID].State, book, language)
		for _, e := range b.entries[h.ID] {
			row.Late = row.Late || e.Late
		}
		if row.SentAt != nil {
			sent++
		}
		if results.HasValues(book) {
			counted = append(counted, b.compared(h.ID, h.ID.String(), book))
		}
		out.Homes = append(out.Homes, row)
	}
	if len(b.sharedRows) > 0 {
		shared := results.ViewHome(results.Home{}, "", b.shared, language)
		shared.Home, shared.Nickname, shared.Letters, shared.State = nil, "", "", "sent"
		out.Shared = &shared
	}
	out.Counted = len(counted)
	given := make([]*notebook.Book, len(counted))
	for i := range counted {
		given[i] = counted[i].Book
	}
	out.ClassRow = results.ClassRow(d, given, language)
	comparisons := compare.Class(d, counted)
	nickname := func(key string) string {
		i := slices.IndexFunc(b.homes, func(h store.Home) bool { return h.ID.String() == key })
		if i < 0 {
			return key
		}
		return b.homes[i].Nickname
	}
	for _, c := range comparisons {
		out.Comparisons = append(out.Comparisons, results.ViewComparison(d, c, nickname, language))
	}
	for _, side := range compare.Aside(counted) {
		out.Apart = append(out.Apart, results.ViewSide(d, side, nickname, language))
	}
	if asSent := b.asSent(&out); len(asSent) > 0 {
		for _, c := range compare.Class(d, asSent) {
			out.AsSent = append(out.AsSent, results.ViewComparison(d, c, nickname, language))
		}
	}
	results.MarkOutliers(out.Homes, comparisons)
	answered := []compare.Home{}
	for _, h := range b.homes {
		answered = append(answered, compare.Home{Key: h.ID.String(), Book: b.books[h.ID]})
	}
	out.Said = results.ViewAnswered(d, answered, nickname, language)
	for _, h := range compare.HeapsOf(d, answered) {
		if b.teacher == "" {
			t, err := a.Teacher(ctx, who)
			if err != nil {
				return results.Results{}, err
			}
			b.teacher = t.Name
		}
		out.Heaps = append(out.Heaps, results.HeapsView{
			Evidence: h.Evidence, Words: text.Render(h.Words(b.teacher), language), Unsorted: h.Unsorted,
		})
	}
	as := b.assignment
	out.Assignment = results.AssignmentView{
		ID:           as.ID,
		Class:        class,
		ClassName:    b.class.Name,
		Experiment:   as.ExperimentID,
		Title:        sheet.Title,
		Number:       as.Number,
		OpensAt:      as.OpensAt,
		DueAt:        as.DueAt,
		IssuedAt:     as.IssuedAt,
		RecalledAt:   as.RecalledAt,
		RecallReason: as.RecallReason,
		Homes:        len(b.homes),
		Sent:         sent,
		State:        sheet.State,
	}
	return out, nil
}

func homeOf(h store.Home) results.Home {
	return results.Home{ID: h.ID, Nickname: h.Nickname, Letters: h.Letters, Opened: h.OpenedAt != nil}
}

// asSent are the homes that would count without the teacher's hand in their
// readings; none where there was none.
func (b *classBooks) asSent(out *results.Results) []compare.Home {
	changed := func(r store.Entry) bool {
		return r.Provenance == string(notebook.Desk) &&
			(r.Kind == string(notebook.SetAside) || r.Kind == string(notebook.Reading))
	}
	for _, rows := range b.entries {
		for _, r := range rows {
			if changed(r) {
				out.AtDesk++
			}
		}
	}
	if out.AtDesk == 0 {
		return nil
	}
	var homes []compare.Home
	for _, h := range b.homes {
		book := b.books[h.ID]
		if slices.ContainsFunc(b.entries[h.ID], changed) {
			book = openBook(
				book.Design,
				slices.DeleteFunc(slices.Clone(b.entries[h.ID]), changed),
				book.Writer,
				book.Guards,
			)
		}
		if results.HasValues(book) {
			homes = append(homes, b.compared(h.ID, h.ID.String(), book))
		}
	}
	return homes
}
