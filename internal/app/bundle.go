package app

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"os"
	"slices"
	"sync"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/design"
	"patient-kitchen/core/notebook"
	"patient-kitchen/core/quantity"
	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// Bundle is all that a home's page needs, kept on the phone for work without
// a connection.
type Bundle struct {
	Home      HomeCard          `json:"home"`
	Class     sheets.ClassCard  `json:"class"`
	FirstAid  []sheets.CardView `json:"first_aid"`
	Sheets    []sheets.Sheet    `json:"sheets"`
	Languages []string          `json:"languages"`
	Kitchen   KitchenCard       `json:"kitchen"`

	Recordings bool `json:"recordings" doc:"Clips and sounds can be taken; without, another way does"`
}

// KitchenCard says whether a home is asked what its kitchen has.
type KitchenCard struct {
	Asked bool `json:"asked" doc:"Its teacher asks, and it has not said anything since"`
	Said  bool `json:"said" doc:"It has said something"`
}

// HomeCard is the home on its own page.
type HomeCard struct {
	ID       uuid.UUID `json:"id"`
	Nickname string    `json:"nickname"`
	Language string    `json:"language"`
	Locale   string    `json:"locale" doc:"The language as it is written where the class is, such as es-MX"`
	Students []string  `json:"students"`

	Facts map[string]string `json:"facts" doc:"What the home said of itself with its kitchen: yes or no by the id of a fact"`
}

// homeContext is what most of a home's use cases start from.
type homeContext struct {
	home    store.Home
	class   store.Class
	teacher store.Teacher
	writer  notebook.Writer
	reader  string // the home's language as it is written where the class is
}

func (a *App) homeContext(ctx context.Context, who HomeActor) (homeContext, error) {
	h, err := a.Store.Home(ctx, who.Class, who.Home)
	if err != nil {
		return homeContext{}, notFound(err)
	}
	c, err := a.Store.Class(ctx, who.Class)
	if err != nil {
		return homeContext{}, notFound(err)
	}
	t, err := a.Store.Teacher(ctx, c.TeacherID)
	reader := text.In(h.Language, c.Zone)
	return homeContext{h, c, t, notebook.Writer{Language: reader, System: quantity.System(c.UnitSystem)}, reader}, err
}

// Pulse finds out whether a phone belongs to the home it names, and words in one
// sign all that the home's page depends on: as long as it is the same, so is
// the page. Phones ask every few seconds; it is one look at the database.
func (a *App) Pulse(ctx context.Context, p Phone) (HomeActor, string, error) {
	now := a.Now()
	v, err := a.Store.Pulse(ctx, p.Class, p.Home, p.token, now)
	if err != nil {
		return HomeActor{}, "", strangerOr(err)
	}
	if v.Device != v.Present {
		return HomeActor{}, "", errReplaced
	}
	sum := sha256.Sum256(fmt.Append(nil, build(), v.Changes, v.Version, v.Language, v.Entries, v.Opened, v.Over))
	return p.HomeActor, hex.EncodeToString(sum[:12]), nil
}

// build tells one build of the program from another: each words the page anew.
var build = sync.OnceValue(func() string {
	path, err := os.Executable()
	if err != nil {
		return ""
	}
	raw, err := os.ReadFile(path)
	if err != nil {
		return ""
	}
	sum := sha256.Sum256(raw)
	return hex.EncodeToString(sum[:8])
})

// Bundle gathers a home's page. It takes the same number of queries however
// many assignments and homes there are.
func (a *App) Bundle(ctx context.Context, who HomeActor) (Bundle, error) {
	hc, err := a.homeContext(ctx, who)
	if err != nil {
		return Bundle{}, err
	}
	assignments, err := a.Store.Assignments(ctx, who.Class)
	if err != nil {
		return Bundle{}, err
	}
	permissions, err := a.Store.HomePermissions(ctx, who.Class, who.Home)
	if err != nil {
		return Bundle{}, err
	}
	entries, err := a.Store.HomeEntries(ctx, who.Class, who.Home)
	if err != nil {
		return Bundle{}, err
	}
	shared, err := a.Store.SharedEntries(ctx, who.Class)
	if err != nil {
		return Bundle{}, err
	}
	students, err := a.Store.Students(ctx, who.Class)
	if err != nil {
		return Bundle{}, err
	}
	kept, err := a.Store.VersionSheets(ctx, who.Class, hc.home.Language)
	if err != nil {
		return Bundle{}, err
	}
	plans, err := a.Store.HomePlans(ctx, who.Class, who.Home)
	if err != nil {
		return Bundle{}, err
	}
	kitchen, err := a.kitchenOf(ctx, who)
	if err != nil {
		return Bundle{}, err
	}
	survey, err := a.Store.SurveyOf(ctx, who.Class, who.Home)
	if err != nil {
		return Bundle{}, err
	}
	b := Bundle{
		Home: HomeCard{
			ID:       hc.home.ID,
			Nickname: hc.home.Nickname,
			Language: hc.home.Language,
			Locale:   hc.reader,
			Students: []string{},
			Facts:    knownWith(kitchen, who.Home)(nil),
		},
		Class:     cardOf(hc),
		FirstAid:  sheets.FirstAid(hc.reader),
		Sheets:    []sheets.Sheet{},
		Languages: text.Languages,

		Recordings: a.Recorder != nil,
		Kitchen: KitchenCard{
			Asked: survey.AskedAt != nil && (survey.SaidAt == nil || survey.SaidAt.Before(*survey.AskedAt)),
			Said:  survey.SaidAt != nil,
		},
	}
	for _, s := range students {
		if s.HomeID == who.Home {
			b.Home.Students = append(b.Home.Students, s.Name)
		}
	}
	for _, as := range assignments {
		base, err := a.issued(ctx, as)
		if err != nil {
			return Bundle{}, err
		}
		d := unplanned(base)
		if i := slices.IndexFunc(plans, func(p store.Plan) bool { return p.AssignmentID == as.ID }); i >= 0 {
			if d, err = a.planned(base, plans[i]); err != nil {
				return Bundle{}, err
			}
		}
		s := d.homeSheet(as, hc.reader, a.Now())
		if d.Way != design.WatchShared {
			frozen(&s.SafetyPart, as.VersionID, d.sha, kept)
		}
		s.Plan = d.number
		if d.Way != design.WatchShared && s.State != "over" {
			s.Begin = begins(d.work(), as, hc.class.Zone, hoursOf(hc.class, kitchen.Hours), a.Now())
		}
		if s.News, err = a.newSince(ctx, as, base.Document, assignments, hc.reader); err != nil {
			return Bundle{}, err
		}
		s = sheets.MeasuresOf(hc.class.UnitSystem, hc.reader).Sheet(s)
		for _, p := range permissions {
			if p.AssignmentID == as.ID {
				s.Permission = viewPermission(p, d)
			}
		}
		s.Entries = viewEntries(d.Document, entries, as.ID, hc.writer)
		sent := slices.ContainsFunc(entries, func(e store.Entry) bool {
			return e.AssignmentID == as.ID && e.Kind == string(notebook.Sent)
		})
		s.Explained = sheets.ExplainedTo(d.Document, sent, a.Now().After(as.DueAt), hc.reader)
		watched := slices.Concat(d.plan.FromTeacher(), d.takenIn(s.Permission.Without))
		if s.Permission.State == "declined" || s.Permission.State == "watching" || len(watched) > 0 {
			if book := sharedBook(d.Document, shared, as.ID, hc.class, hc.reader); results.HasValues(book) {
				s.Shown = sheets.Shown(d.Document, book, hc.reader, watched...)
			}
		}
		b.Sheets = append(b.Sheets, s)
	}
	return b, nil
}

func cardOf(hc homeContext) sheets.ClassCard {
	c := hc.class
	return sheets.ClassCard{
		Name:            c.Name,
		School:          c.School,
		Teacher:         hc.teacher.Name,
		Zone:            c.Zone,
		UnitSystem:      c.UnitSystem,
		EmergencyNumber: c.EmergencyNumber,
		PoisonNumber:    c.PoisonNumber,
		PhotoDays:       c.PhotoDays,
		KeepUntil:       c.KeepUntil.Format(time.DateOnly),
	}
}

func viewEntries(d *design.Document, rows []store.Entry, assignment uuid.UUID, w notebook.Writer) []entries.EntryView {
	out := []entries.EntryView{}
	for _, e := range rows {
		if e.AssignmentID == assignment && e.Kind != string(notebook.Heaped) { // of the class, and no home's business
			out = append(out, viewEntry(d, e, w))
		}
	}
	return out
}

// ChooseLanguage keeps the language a family chose.
func (a *App) ChooseLanguage(ctx context.Context, who HomeActor, language string) error {
	if !slices.Contains(text.Languages, language) {
		return refusal.Field("language", refusal.Rule("language"), text.Languages[0])
	}
	return notFound(a.Store.SetHomeLanguage(ctx, who.Class, who.Home, language))
}
