package api

import (
	"context"
	"encoding/json"
	"net/http"
	"strings"
	"time"

	"github.com/danielgtaylor/huma/v2"
	"github.com/google/uuid"

	"patient-kitchen/core/text"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/refusal"
	"patient-kitchen/internal/view/entries"
	"patient-kitchen/internal/view/kitchens"
	"patient-kitchen/internal/view/results"
	"patient-kitchen/internal/view/sheets"
)

// rawField cuts one field's exact bytes out of a JSON object, so that what is
// stored is what was sent.
func rawField(body []byte, name string) (json.RawMessage, error) {
	var fields map[string]json.RawMessage
	if err := json.Unmarshal(body, &fields); err != nil || fields[name] == nil {
		return nil, &refusal.Invalid{Field: name, Rule: text.Message{ID: "rule.object"}, Example: `{"schema": 1}`}
	}
	return fields[name], nil
}

// PhonePath names the home a phone acts for.
type PhonePath struct {
	Home uuid.UUID `path:"home"`
}

// forHome registers an operation of a home's own page.
func forHome[I, T any](
	s *Server,
	o huma.Operation,
	home func(*I) uuid.UUID,
	f func(context.Context, app.HomeActor, *I) (T, error),
) {
	huma.Register(s.api, o, func(ctx context.Context, in *I) (*Reply[T], error) {
		who, err := s.phone(ctx, home(in))
		if err != nil {
			return nil, s.logged(ctx, err)
		}
		v, err := f(ctx, who, in)
		if err != nil {
			return nil, s.logged(ctx, err)
		}
		return &Reply[T]{v}, nil
	})
}

// OpenedView tells a phone which home it opened.
type OpenedView struct {
	Home uuid.UUID  `json:"home"`
	Page app.Bundle `json:"page" doc:"As get-bundle gives it, so that the phone need not ask for it"`
	Tag  string     `json:"tag" doc:"Its ETag"`
}

func (s *Server) family() {
	type open struct {
		Body struct {
			Link string `json:"link,omitempty" maxLength:"100" doc:"The token at the end of the link"`
			Code string `json:"code,omitempty" maxLength:"40" doc:"Or the code from paper" example:"KT4R7-QXM3A"`
		}
	}
	type opened struct {
		SetCookie http.Cookie `header:"Set-Cookie"`
		Body      OpenedView
	}
	huma.Register(
		s.api,
		op("POST", "/family/open", "open-home", "Let a phone in by link or code"),
		func(ctx context.Context, i *open) (*opened, error) {
			address, _ := ctx.Value(networkKey).(string)
			o, err := s.App.Open(ctx, i.Body.Link, i.Body.Code, address)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			phone := app.PhoneOf(o.Class, o.Home, o.Token)
			who, pulse, err := s.App.Pulse(ctx, phone)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			page, err := s.App.Bundle(ctx, who)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			cookie := http.Cookie{
				Name:     s.cookieName(homeCookie, "home"),
				Value:    o.Class.String() + "." + o.Token,
				Path:     "/api/v1/home/" + o.Home.String(),
				HttpOnly: true,
				Secure:   s.Secure,
				SameSite: http.SameSiteLaxMode,
				MaxAge:   400 * 24 * 3600,
			}
			return &opened{SetCookie: cookie, Body: OpenedView{o.Home, page, `"` + pulse + `"`}}, nil
		},
	)
	type had struct {
		PhonePath
		Tag string `header:"If-None-Match" doc:"The ETag of the page that the phone has"`
	}
	type page struct {
		Status int
		ETag   string    `header:"ETag" doc:"Stands for all that the page depends on"`
		Now    time.Time `header:"Server-Time" timeFormat:"2006-01-02T15:04:05.000Z07:00" doc:"The server's clock"`
		Body   *app.Bundle
	}
	huma.Register(
		s.api,
		op("GET", "/home/{home}", "get-bundle", "All that a home's page needs; 304 when the phone has it"),
		func(ctx context.Context, i *had) (*page, error) {
			phone, err := s.phoneAsks(ctx, i.Home)
			if err != nil {
				return nil, err
			}
			who, pulse, err := s.App.Pulse(ctx, phone)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			out := &page{Status: http.StatusNotModified, ETag: `"` + pulse + `"`, Now: s.App.Now().UTC()}
			if strings.TrimPrefix(i.Tag, "W/") == out.ETag { // a proxy that packs answers weakens it
				return out, nil
			}
			b, err := s.App.Bundle(ctx, who)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			out.Status, out.Body = http.StatusOK, &b
			return out, nil
		},
	)
	type chosen struct {
		PhonePath
		Body struct {
			Language string `json:"language"`
		}
	}
	forHome(
		s,
		op("PUT", "/home/{home}/language", "choose-language", "Choose the home's language"),
		func(i *chosen) uuid.UUID { return i.Home },
		func(ctx context.Context, who app.HomeActor, i *chosen) (Done, error) {
			return Done{true}, s.App.ChooseLanguage(ctx, who, i.Body.Language)
		},
	)
	forHome(
		s,
		op("GET", "/home/{home}/kitchen", "get-kitchen", "What the home is asked of its kitchen, and what it said"),
		func(i *PhonePath) uuid.UUID { return i.Home },
		func(ctx context.Context, who app.HomeActor, _ *PhonePath) (kitchens.Page, error) {
			return s.App.OwnKitchen(ctx, who)
		},
	)
	type kitchenBody struct {
		PhonePath
		Body kitchens.Fields
	}
	forHome(
		s,
		op("PUT", "/home/{home}/kitchen", "save-kitchen", "Say what the home's kitchen has"),
		func(i *kitchenBody) uuid.UUID { return i.Home },
		func(ctx context.Context, who app.HomeActor, i *kitchenBody) (Done, error) {
			return Done{true}, s.App.SaveOwnKitchen(ctx, who, i.Body)
		},
	)
	type permission struct {
		PhonePath
		Assignment uuid.UUID `path:"assignment"`
		Body       app.PermissionFields
	}
	forHome(
		s,
		op("POST", "/home/{home}/assignments/{assignment}/permission", "permit", "A guardian's answer"),
		func(i *permission) uuid.UUID { return i.Home },
		func(ctx context.Context, who app.HomeActor, i *permission) (sheets.PermissionView, error) {
			return s.App.Permit(ctx, who, i.Assignment, i.Body)
		},
	)
	type entry struct {
		PhonePath
		Assignment uuid.UUID `path:"assignment"`
		ID         uuid.UUID `path:"entry"`
		Body       struct {
			entries.EntryFields
			_ struct{} `additionalProperties:"true"`
		}
		RawBody []byte
	}
	huma.Register(
		s.api,
		op(
			"PUT",
			"/home/{home}/assignments/{assignment}/entries/{entry}",
			"put-entry",
			"One entry of the notebook; the same again is answered again",
		),
		func(ctx context.Context, i *entry) (*Reply[entries.EntryView], error) {
			phone, err := s.phoneAsks(ctx, i.Home)
			if err != nil {
				return nil, err
			}
			v, err := s.App.PutEntry(ctx, phone, i.Assignment, i.ID, i.RawBody)
			if err != nil {
				return nil, s.logged(ctx, err)
			}
			return &Reply[entries.EntryView]{v}, nil
		},
	)
	type result struct {
		PhonePath
		Assignment uuid.UUID `path:"assignment"`
	}
	forHome(
		s,
		op(
			"GET",
			"/home/{home}/assignments/{assignment}/result",
			"get-own-result",
			"The home's own result, worked out",
		),
		func(i *result) uuid.UUID { return i.Home },
		func(ctx context.Context, who app.HomeActor, i *result) (results.OwnResult, error) {
			return s.App.OwnResult(ctx, who, i.Assignment)
		},
	)
	type incident struct {
		PhonePath
		ID   uuid.UUID `path:"incident"`
		Body app.IncidentFields
	}
	forHome(
		s,
		op("PUT", "/home/{home}/incidents/{incident}", "put-incident", "Something went wrong"),
		func(i *incident) uuid.UUID { return i.Home },
		func(ctx context.Context, who app.HomeActor, i *incident) (Done, error) {
			return Done{true}, s.App.PutIncident(ctx, who, i.ID, i.Body)
		},
	)
}
