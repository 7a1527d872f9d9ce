package app

import (
	"context"
	"errors"
	"strconv"
	"strings"

	"github.com/google/uuid"
	"rsc.io/qr"

	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
	"patient-kitchen/internal/words"
)

// Invitation is a home's way in, to show and print.
type Invitation struct {
	Home      uuid.UUID `json:"home"`
	Nickname  string    `json:"nickname"`
	Letters   string    `json:"letters"`
	Language  string    `json:"language"`
	Link      string    `json:"link"`
	Code      string    `json:"code" doc:"Two groups of five signs"`
	QR        QR        `json:"qr"`
	Open      string    `json:"open" doc:"What to do with the code, in the home's language"`
	NoAccount string    `json:"no_account" doc:"That no account is needed, in the home's language"`
	Lost      bool      `json:"lost,omitempty" doc:"It was made with a secret that the server has no more: nothing opens the home until it is given a new link"`
}

// QR is a square code as an SVG path: one unit a module, with a quiet border.
type QR struct {
	Size int    `json:"size" doc:"Modules a side, border included"`
	Path string `json:"path"`
}

const quietZone = 4

func drawQR(link string) (QR, error) {
	code, err := qr.Encode(link, qr.M)
	if err != nil {
		return QR{}, err
	}
	var b strings.Builder
	for y := range code.Size {
		for x := 0; x < code.Size; x++ {
			from := x
			for x < code.Size && code.Black(x, y) {
				x++
			}
			if x > from {
				b.WriteString(
					"M" + strconv.Itoa(
						from+quietZone,
					) + " " + strconv.Itoa(
						y+quietZone,
					) + "h" + strconv.Itoa(
						x-from,
					) + "v1h-" + strconv.Itoa(
						x-from,
					) + "z",
				)
			}
		}
	}
	return QR{code.Size + 2*quietZone, b.String()}, nil
}

func (a *App) addLinks(ctx context.Context, q *store.Queries, h store.Home) error {
	link, err := a.Keys.Link(h.KeyID, h.ID, h.Generation)
	if err != nil {
		return err
	}
	code, err := a.Keys.Code(h.KeyID, h.ID, h.Generation)
	if err != nil {
		return err
	}
	for kind, token := range map[string]string{"link": link, "code": code} {
		lookup, err := a.Keys.Lookup(h.KeyID, kind, token)
		if err != nil {
			return err
		}
		if err := q.AddLink(ctx, store.Link{Lookup: lookup, Kind: kind, ClassID: h.ClassID, HomeID: h.ID,
			Generation: h.Generation}); err != nil {
			return err
		}
	}
	return nil
}

func (a *App) invitation(h store.Home) (Invitation, error) {
	page := words.Of("print", h.Language)
	out := Invitation{
		Home:      h.ID,
		Nickname:  h.Nickname,
		Letters:   h.Letters,
		Language:  h.Language,
		Open:      page["slipOpen"],
		NoAccount: page["slipNone"],
	}
	link, err := a.Keys.Link(h.KeyID, h.ID, h.Generation)
	if errors.Is(err, keys.ErrGone) {
		out.Lost = true
		return out, nil
	}
	if err != nil {
		return Invitation{}, err
	}
	code, err := a.Keys.Code(h.KeyID, h.ID, h.Generation)
	if err != nil {
		return Invitation{}, err
	}
	full := a.PublicURL + "/h/" + link
	square, err := drawQR(full)
	out.Link, out.Code, out.QR = full, code[:5]+"-"+code[5:], square
	return out, err
}

// Invitations are the links, codes and QR codes of a class's homes.
func (a *App) Invitations(ctx context.Context, who TeacherActor, class uuid.UUID) ([]Invitation, error) {
	if _, err := a.class(ctx, who, class); err != nil {
		return nil, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return nil, err
	}
	out := make([]Invitation, 0, len(homes))
	for _, h := range homes {
		i, err := a.invitation(h)
		if err != nil {
			return nil, err
		}
		out = append(out, i)
	}
	return out, nil
}

// RenewLink gives a home a new link and code; the old ones and the phones
// that used them no longer open it.
func (a *App) RenewLink(ctx context.Context, who TeacherActor, class, id uuid.UUID) (Invitation, error) {
	_, h, err := a.home(ctx, who, class, id)
	if err != nil {
		return Invitation{}, err
	}
	err = a.audited(ctx, who, class, &id, "home", "new link", func(q *store.Queries) error {
		return a.renewLinks(ctx, q, &h)
	})
	if err != nil {
		return Invitation{}, err
	}
	return a.invitation(h)
}

// renewLinks makes a home's link and code anew; the old ones open nothing any more.
func (a *App) renewLinks(ctx context.Context, q *store.Queries, h *store.Home) error {
	h.KeyID = a.Keys.Newest()
	var err error
	if h.Generation, err = q.RaiseGeneration(ctx, h.ClassID, h.ID, h.KeyID); err != nil {
		return err
	}
	return a.addLinks(ctx, q, *h)
}

// Opened is what a phone gets for a link or code.
type Opened struct {
	Class uuid.UUID
	Home  uuid.UUID
	Token string // for the phone's cookie
}

// Open lets a phone in by a link's token or a typed code. Tries at codes are
// counted by network; a right one is not counted, and clears nothing.
func (a *App) Open(ctx context.Context, link, code, network string) (Opened, error) {
	kind, token := "link", strings.TrimSpace(link)
	unknown := &refusal.Refused{Code: "unknown-link"}
	if code != "" {
		kind = "code"
		unknown = &refusal.Refused{Code: "unknown-code"}
		n, err := a.Store.CountAttempt(ctx, "code", network, codeWindow, a.Now())
		if err != nil {
			return Opened{}, err
		}
		if n > codeTries {
			return Opened{}, &refusal.Refused{Code: "too-many-tries", Words: refusal.Why("too-many-tries.codes")}
		}
		unknown.Current = map[string]int{"tries_left": codeTries - n}
		read, ok := keys.ReadCode(code)
		if !ok {
			return Opened{}, unknown
		}
		token = read
	}
	for _, lookup := range a.Keys.Lookups(kind, token) {
		l, err := a.Store.HomeByLink(ctx, lookup)
		if notFound(err) == refusal.ErrNotFound {
			continue
		}
		if err != nil {
			return Opened{}, err
		}
		if code != "" { // a right one is no wrong one
			if err := a.Store.UncountAttempt(ctx, "code", network); err != nil {
				return Opened{}, err
			}
		}
		return a.letIn(ctx, l)
	}
	return Opened{}, unknown
}

func (a *App) letIn(ctx context.Context, l store.Link) (Opened, error) {
	h, err := a.Store.Home(ctx, l.ClassID, l.HomeID)
	if err == nil {
		_, err = a.Store.Class(ctx, l.ClassID)
	}
	if notFound(err) == refusal.ErrNotFound {
		return Opened{}, &refusal.Refused{Code: "unknown-link"}
	}
	if err != nil {
		return Opened{}, err
	}
	if h.Generation != l.Generation {
		return Opened{}, &refusal.Refused{Code: "replaced-link"}
	}
	token, hash := keys.NewToken()
	err = a.Store.InTx(ctx, func(q *store.Queries) error {
		if err := q.AddDevice(ctx, store.Device{ClassID: h.ClassID, HomeID: h.ID, TokenHash: hash,
			Generation: h.Generation, CreatedAt: a.Now()}); err != nil {
			return err
		}
		q.Tell(store.Event{Class: h.ClassID, Kind: "home", ID: h.ID})
		return nil
	})
	return Opened{Class: h.ClassID, Home: h.ID, Token: token}, err
}

// ErrStranger answers a phone that has not opened the home's link.
var ErrStranger = errors.New("this phone has not opened the home's link")

var errReplaced = &refusal.Refused{Code: "replaced-link", Words: refusal.Why("replaced-link.phone")}

func strangerOr(err error) error {
	if errors.Is(err, store.ErrNotFound) {
		return ErrStranger
	}
	return err
}

// Recognise finds out whether a phone belongs to the home it names. A phone let in by a
// link that was replaced meanwhile is told so.
func (a *App) Recognise(ctx context.Context, p Phone) (HomeActor, error) {
	g, err := a.Store.DeviceGeneration(ctx, p.Class, p.Home, p.token)
	if err != nil {
		return HomeActor{}, strangerOr(err)
	}
	if g.Device != g.Present {
		return HomeActor{}, errReplaced
	}
	return p.HomeActor, nil
}

// LookUp finds the home of a link without letting a phone in; the pages that
// work without script use it.
func (a *App) LookUp(ctx context.Context, link string) (HomeActor, error) {
	for _, lookup := range a.Keys.Lookups("link", link) {
		l, err := a.Store.HomeByLink(ctx, lookup)
		if notFound(err) == refusal.ErrNotFound {
			continue
		}
		if err != nil {
			return HomeActor{}, err
		}
		h, err := a.Store.Home(ctx, l.ClassID, l.HomeID)
		if err != nil || h.Generation != l.Generation {
			return HomeActor{}, refusal.ErrNotFound
		}
		return HomeActor{l.ClassID, l.HomeID}, nil
	}
	return HomeActor{}, refusal.ErrNotFound
}

// ParseID reads an id; a bad one is like one that is not there.
func ParseID(s string) (uuid.UUID, error) {
	id, err := uuid.Parse(s)
	if err != nil {
		return id, refusal.ErrNotFound
	}
	return id, nil
}
