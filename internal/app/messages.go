package app

import (
	"context"
	"errors"
	"slices"
	"strings"
	"time"

	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/mail"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/store"
)

// messageKinds are the occasions on which homes are written to, each once: about an
// experiment that they are asked for, or an assignment.
var messageKinds = []string{"survey", "invitation", "permission", "get-ready", "look-now", "thanks"}

// MessageFields say what to write to the homes of a class.
type MessageFields struct {
	Kind  string    `json:"kind" enum:"survey,invitation,permission,get-ready,look-now,thanks"`
	About uuid.UUID `json:"about" doc:"Of a survey the experiment, else the assignment"`
}

// Written says to whom it was written.
type Written struct {
	Homes     int      `json:"homes" doc:"Homes that are written to now"`
	Before    int      `json:"before" doc:"Homes that were written to on this occasion before: nobody is written to twice"`
	NotNow    int      `json:"not_now" doc:"Homes that it does not concern: who has agreed is not asked again, who has not begun has nothing to look at"`
	NoAddress []string `json:"no_address" doc:"Nicknames of homes without a mail address, or whose link has to be renewed first"`
}

// MessageView is a message as its teacher reads it.
type MessageView struct {
	Nickname string     `json:"nickname"`
	Kind     string     `json:"kind" enum:"survey,invitation,permission,get-ready,look-now,thanks"`
	Address  string     `json:"address"`
	Subject  string     `json:"subject"`
	Body     string     `json:"body"`
	State    string     `json:"state" enum:"sent,waits,failed"`
	SendAt   time.Time  `json:"send_at" doc:"Not before; the hours of the night are left alone"`
	SentAt   *time.Time `json:"sent_at,omitempty"`
	Failed   string     `json:"failed,omitempty" doc:"Why it could not be sent"`
}

// Write writes to the homes of a class, in their languages, outside the hours of the
// night. Nothing in it speaks of the kitchen, the child or a fact of the home; a home is
// written to once on an occasion.
func (a *App) Write(ctx context.Context, who TeacherActor, class uuid.UUID, f MessageFields) (Written, error) {
	out := Written{NoAddress: []string{}}
	c, err := a.class(ctx, who, class)
	if err != nil {
		return out, err
	}
	t, err := a.Store.Teacher(ctx, who.ID)
	if err != nil {
		return out, err
	}
	if !slices.Contains(messageKinds, f.Kind) {
		return out, refusal.Field("kind", refusal.Rule("occasion"), "invitation")
	}
	of, err := a.occasion(ctx, who, class, f)
	if err != nil {
		return out, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return out, err
	}
	place, err := time.LoadLocation(c.Zone)
	if err != nil {
		place = time.UTC
	}
	said, err := answersOf(ctx, &a.Store.Queries, class)
	if err != nil {
		return out, err
	}
	rows, err := a.Store.HomeStates(ctx, class, f.About)
	if err != nil {
		return out, err
	}
	states := map[uuid.UUID]store.HomeState{}
	for _, s := range rows {
		states[s.HomeID] = s
	}
	now := a.Now()
	err = a.audited(ctx, who, class, nil, "message", f.Kind, func(q *store.Queries) error {
		for _, h := range homes {
			if h.DeletedAt != nil {
				continue
			}
			if !concerns(f.Kind, said[h.ID].Said(), states[h.ID]) {
				out.NotNow++
				continue
			}
			way, err := a.invitation(h)
			if err != nil {
				return err
			}
			if way.Lost || !strings.Contains(h.Contact, "@") { // without a way in there is nothing to write
				out.NoAddress = append(out.NoAddress, h.Nickname)
				continue
			}
			m := a.message(h, t, c, f, of, place)
			m.MadeAt, m.SendAt = now, said[h.ID].Hours.Of().Next(now.In(place))
			added, err := q.AddMessage(ctx, m)
			if err != nil {
				return err
			}
			if added {
				out.Homes++
			} else {
				out.Before++
			}
		}
		return nil
	})
	return out, err
}

// concerns reports whether a home is written to on an occasion.
func concerns(kind string, answered bool, s store.HomeState) bool {
	switch kind {
	case "survey":
		return !answered
	case "permission":
		return !s.Decided
	case "get-ready":
		return s.Granted && !s.Began && !s.Sent
	case "look-now":
		return s.Began && !s.Sent
	case "thanks":
		return s.Sent
	}
	return true
}

// occasion is what a message is about: its title by language, and until when.
type occasion struct {
	title text.Localized
	due   time.Time
}

func (a *App) occasion(ctx context.Context, who TeacherActor, class uuid.UUID, f MessageFields) (occasion, error) {
	if f.Kind == "survey" {
		e, err := a.Store.Experiment(ctx, who.ID, f.About)
		return occasion{title: e.Title}, notFound(err)
	}
	as, err := a.Store.Assignment(ctx, class, f.About)
	if err != nil {
		return occasion{}, notFound(err)
	}
	if as.RecalledAt != nil {
		return occasion{}, errRecalled
	}
	d, err := a.issued(ctx, as)
	if err != nil {
		return occasion{}, err
	}
	return occasion{d.Title, as.DueAt}, nil
}

func (a *App) message(
	h store.Home,
	t store.Teacher,
	c store.Class,
	f MessageFields,
	of occasion,
	place *time.Location,
) store.Message {
	reader := text.In(h.Language, c.Zone)
	title, _ := of.title.In(reader)
	say := func(part string) string {
		return text.Render(text.M(
			"message."+f.Kind+"."+part, "title", title, "teacher", t.Name, "class", c.Name, "link", linkMark, "code",
			codeMark,
			"due", text.Moment(of.due.In(place)),
		), reader)
	}
	return store.Message{
		ClassID: c.ID, ID: store.NewID(), HomeID: h.ID, Kind: f.Kind, About: f.About, Address: h.Contact,
		Subject: say("subject"), Body: say("body"),
	}
}

// A home's link and code are in no table: in the outbox these marks stand for them, and
// they are put in when a letter leaves or is read.
const (
	linkMark = "\u2063link\u2063"
	codeMark = "\u2063code\u2063"
)

// filled is a body with the way in of its home.
func (a *App) filled(body string, h store.Home) (string, error) {
	way, err := a.invitation(h)
	return strings.NewReplacer(linkMark, way.Link, codeMark, way.Code).Replace(body), err
}

// Messages lists what was written to the homes of a class, the latest first.
func (a *App) Messages(ctx context.Context, who TeacherActor, class uuid.UUID) ([]MessageView, error) {
	if _, err := a.class(ctx, who, class); err != nil {
		return nil, err
	}
	homes, err := a.Store.Homes(ctx, class)
	if err != nil {
		return nil, err
	}
	rows, err := a.Store.Messages(ctx, class)
	out := make([]MessageView, 0, len(rows))
	for _, m := range rows {
		v := MessageView{
			Kind: m.Kind, Address: m.Address, Subject: m.Subject, Body: m.Body, State: "waits", SendAt: m.SendAt,
			SentAt: m.SentAt, Failed: m.Failed,
		}
		switch {
		case m.SentAt != nil:
			v.State = "sent"
		case m.Tries >= mostTries:
			v.State = "failed"
		}
		if i := slices.IndexFunc(homes, func(h store.Home) bool { return h.ID == m.HomeID }); i >= 0 {
			v.Nickname = homes[i].Nickname
			if v.Body, err = a.filled(m.Body, homes[i]); err != nil {
				return nil, err
			}
		}
		out = append(out, v)
	}
	return out, err
}

// How often a message is tried, how many are taken at once, and after how long one that
// could not be sent is tried again.
const (
	mostTries = 5
	atOnce    = 5
	retry     = 10 * time.Minute
)

// Deliver hands over what waits in the outbox; it reports how many letters left. Any
// number of processes may do so.
func (a *App) Deliver(ctx context.Context) (int, error) {
	sent, taken := 0, atOnce
	for taken == atOnce {
		err := a.Store.InTx(ctx, func(q *store.Queries) error {
			waiting, err := q.WaitingMessages(ctx, a.Now(), mostTries, atOnce)
			taken = len(waiting)
			for i := 0; i < len(waiting) && err == nil; i++ {
				m := waiting[i]
				h, gone := q.Home(ctx, m.ClassID, m.HomeID)
				if gone != nil {
					return gone
				}
				a.deliver(&m, h)
				if m.SentAt != nil {
					sent++
				}
				err = q.Sent(ctx, m)
			}
			return err
		})
		if err != nil {
			return sent, err
		}
	}
	return sent, nil
}

func (a *App) deliver(m *store.Message, h store.Home) {
	now := a.Now()
	m.Tries++
	body, err := a.filled(m.Body, h)
	if err == nil {
		err = a.sender().Send(mail.Letter{To: m.Address, Subject: m.Subject, Body: body})
	}
	switch {
	case err == nil:
		m.SentAt, m.Failed = &now, ""
	case errors.Is(err, mail.ErrRefused):
		m.Tries, m.Failed = mostTries, err.Error()
	default:
		m.Failed, m.SendAt = err.Error(), now.Add(time.Duration(m.Tries)*retry)
	}
}

// sender is where letters go: the stand-in unless a mail server is set.
func (a *App) sender() mail.Sender {
	if a.Mail == nil {
		return mail.StandIn{}
	}
	return a.Mail
}
