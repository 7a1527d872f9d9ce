package app

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"
	"unicode"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// HomeFields are what a teacher sets of a home. Surnames are not asked.
type HomeFields struct {
	Nickname string   `json:"nickname" example:"Fern"`
	Letters  string   `json:"letters,omitempty" doc:"Two letters, unique in the class; made when left out" example:"Fe"`
	Language string   `json:"language,omitempty" doc:"en or es; the class's when left out"`
	Contact  string   `json:"contact,omitempty" doc:"Mail address or number for messages"`
	Phone    string   `json:"phone,omitempty" doc:"Guardian's telephone, for emergencies"`
	Students []string `json:"students,omitempty" doc:"Nicknames of the students of this home"`
	Note     string   `json:"note,omitempty" doc:"For the teacher alone, such as a home language that is not one of those here"`
}

// HomeView is a home as its teacher sees it.
type HomeView struct {
	ID uuid.UUID `json:"id"`
	HomeFields
	Version  int        `json:"version"`
	OpenedAt *time.Time `json:"opened_at,omitempty" doc:"When the link was first opened"`
}

func (f *HomeFields) check(class store.Class) error {
	f.Nickname = strings.Join(strings.Fields(f.Nickname), " ")
	if f.Nickname == "" || len([]rune(f.Nickname)) > 60 {
		return refusal.Field("nickname", refusal.Rule("there-signs", "n", 60), "Fern")
	}
	if f.Language == "" {
		f.Language = class.Language
	}
	if !slices.Contains(text.Languages, f.Language) {
		return refusal.Field("language", refusal.Rule("language"), "en")
	}
	if f.Letters != "" && (len([]rune(f.Letters)) != 2) {
		return refusal.Field("letters", refusal.Rule("two-letters"), "Fe")
	}
	f.Contact, f.Phone = strings.TrimSpace(f.Contact), strings.TrimSpace(f.Phone)
	if f.Phone != "" && !phonePattern.MatchString(f.Phone) {
		return refusal.Field("phone", refusal.Rule("phone"), "0555 010 020")
	}
	if f.Note = strings.TrimSpace(f.Note); len([]rune(f.Note)) > 600 {
		return refusal.Field("note", refusal.Rule("most-signs", "n", 600), "speaks Polish at home")
	}
	if len(f.Contact) > 200 {
		return refusal.Field("contact", refusal.Rule("most-signs", "n", 200), "fern@home.example")
	}
	kept := f.Students[:0]
	for _, s := range f.Students {
		if s = strings.TrimSpace(s); s != "" {
			kept = append(kept, s)
		}
		if len([]rune(s)) > 60 || len(kept) > 8 {
			return refusal.Field("students", refusal.Rule("students"), "Fern")
		}
	}
	f.Students = kept
	return nil
}

// freeLetters makes two letters for a nickname that no other home has.
func freeLetters(nickname string, taken map[string]bool) string {
	letters := []rune{}
	for _, r := range nickname {
		if unicode.IsLetter(r) || unicode.IsDigit(r) {
			letters = append(letters, r)
		}
	}
	if len(letters) == 0 {
		letters = []rune("Home")
	}
	first := string(unicode.ToUpper(letters[0]))
	for _, second := range append(letters[1:], []rune("abcdefghijklmnopqrstuvwxyz0123456789")...) {
		if l := first + string(unicode.ToLower(second)); !taken[l] {
			return l
		}
	}
	for i := 0; ; i++ {
		if l := fmt.Sprintf("%02d", i); !taken[l] {
			return l
		}
	}
}

// Homes lists a class's homes by nickname.
func (a *App) Homes(ctx context.Context, who TeacherActor, class uuid.UUID) ([]HomeView, error) {
	if _, err := a.class(ctx, who, class); err != nil {
		return nil, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return nil, err
	}
	students, err := a.Store.Students(ctx, class)
	byHome := map[uuid.UUID][]string{}
	for _, s := range students {
		byHome[s.HomeID] = append(byHome[s.HomeID], s.Name)
	}
	out := make([]HomeView, 0, len(homes))
	for _, h := range homes {
		out = append(out, viewHome(h, byHome[h.ID]))
	}
	return out, err
}

func viewHome(h store.Home, students []string) HomeView {
	if students == nil {
		students = []string{}
	}
	return HomeView{ID: h.ID, Version: h.Version, OpenedAt: h.OpenedAt, HomeFields: HomeFields{
		Nickname: h.Nickname, Letters: h.Letters, Language: h.Language, Contact: h.Contact, Phone: h.Phone,
		Students: students, Note: h.Note}}
}

// AddHome adds a home with its link and code.
func (a *App) AddHome(ctx context.Context, who TeacherActor, class uuid.UUID, f HomeFields) (HomeView, error) {
	c, err := a.class(ctx, who, class)
	if err != nil {
		return HomeView{}, err
	}
	if err := f.check(c); err != nil {
		return HomeView{}, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return HomeView{}, err
	}
	taken := map[string]bool{}
	for _, h := range homes {
		taken[h.Letters] = true
	}
	var view HomeView
	id := store.NewID()
	err = a.audited(ctx, who, class, &id, "home", "added", func(q *store.Queries) error {
		view, err = a.insertHome(ctx, q, class, id, f, taken)
		return err
	})
	return view, err
}

func (a *App) insertHome(
	ctx context.Context,
	q *store.Queries,
	class, id uuid.UUID,
	f HomeFields,
	taken map[string]bool,
) (HomeView, error) {
	if f.Letters == "" {
		f.Letters = freeLetters(f.Nickname, taken)
	}
	h := store.Home{
		ClassID:    class,
		ID:         id,
		Nickname:   f.Nickname,
		Letters:    f.Letters,
		Language:   f.Language,
		Contact:    f.Contact,
		Phone:      f.Phone,
		Note:       f.Note,
		KeyID:      a.Keys.Newest(),
		Generation: 1,
		Version:    1,
		CreatedAt:  a.Now(),
	}
	if err := nameTaken(q.AddHome(ctx, h), f); err != nil {
		return HomeView{}, err
	}
	taken[f.Letters] = true
	if err := q.SetStudents(ctx, class, h.ID, f.Students); err != nil {
		return HomeView{}, err
	}
	return viewHome(h, f.Students), a.addLinks(ctx, q, h)
}

func nameTaken(err error, f HomeFields) error {
	if errors.Is(err, store.ErrConflict) && strings.Contains(err.Error(), "letters") {
		return refusal.Field("letters", refusal.Rule("letters-taken"), f.Nickname[:1]+"2")
	}
	if errors.Is(err, store.ErrConflict) {
		return refusal.Field("nickname", refusal.Rule("nickname-taken"), f.Nickname+" B")
	}
	return notFound(err)
}

// SaveHome changes a home that still has the version given.
func (a *App) SaveHome(
	ctx context.Context,
	who TeacherActor,
	class, id uuid.UUID,
	version int,
	f HomeFields,
) (HomeView, error) {
	c, h, err := a.home(ctx, who, class, id)
	if err != nil {
		return HomeView{}, err
	}
	if f.Letters == "" {
		f.Letters = h.Letters
	}
	if err := f.check(c); err != nil {
		return HomeView{}, err
	}
	if h.Version != version {
		return HomeView{}, a.homeChanged(ctx, class, id)
	}
	h.Nickname, h.Letters, h.Language, h.Contact, h.Phone, h.Note = f.Nickname, f.Letters, f.Language, f.Contact,
		f.Phone, f.Note
	err = a.audited(ctx, who, class, &id, "home", "changed", func(q *store.Queries) error {
		err := q.SaveHome(ctx, h)
		if errors.Is(err, store.ErrNotFound) { // somebody was faster since it was looked at
			return a.homeChanged(ctx, class, id)
		}
		if err := nameTaken(err, f); err != nil {
			return err
		}
		return q.SetStudents(ctx, class, id, f.Students)
	})
	h.Version++
	return viewHome(h, f.Students), err
}

// homeChanged refuses a change from an older state, with the present one.
func (a *App) homeChanged(ctx context.Context, class, id uuid.UUID) error {
	now, err := a.Store.Home(ctx, class, id)
	if err != nil {
		return notFound(err)
	}
	return &refusal.Refused{Code: "changed-elsewhere", Words: refusal.Why("changed-elsewhere.home"),
		Current: viewHome(now, nil)}
}

// DeleteHome takes a home out of the class; it can be brought back for thirty
// days and is then erased.
func (a *App) DeleteHome(ctx context.Context, who TeacherActor, class, id uuid.UUID) error {
	if _, _, err := a.home(ctx, who, class, id); err != nil {
		return err
	}
	now := a.Now()
	return a.audited(
		ctx,
		who,
		class,
		&id,
		"home",
		"deleted",
		func(q *store.Queries) error { return q.SetHomeDeleted(ctx, class, id, &now) },
	)
}

// RestoreHome brings a deleted home back.
func (a *App) RestoreHome(ctx context.Context, who TeacherActor, class, id uuid.UUID) error {
	if _, err := a.class(ctx, who, class); err != nil {
		return err
	}
	return a.audited(ctx, who, class, &id, "home", "restored", func(q *store.Queries) error {
		return nameTaken(q.SetHomeDeleted(ctx, class, id, nil), HomeFields{Nickname: "the home"})
	})
}

// EraseHome removes a home's names, words and pictures for good.
func (a *App) EraseHome(ctx context.Context, who TeacherActor, class, id uuid.UUID) error {
	if _, _, err := a.home(ctx, who, class, id); err != nil {
		return err
	}
	return a.audited(
		ctx,
		who,
		class,
		&id,
		"home",
		"erased",
		func(q *store.Queries) error { return q.EraseHome(ctx, class, id, a.Now()) },
	)
}
