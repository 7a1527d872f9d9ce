package main

import (
	"context"
	"errors"
	"log/slog"
	"net"
	"net/http"
	"net/url"
	"os"
	"time"

	"patient-kitchen/internal/api"
	"patient-kitchen/internal/app"
	"patient-kitchen/internal/config"
	"patient-kitchen/internal/keys"
	"patient-kitchen/internal/live"
	"patient-kitchen/internal/mail"
	"patient-kitchen/internal/media"
	"patient-kitchen/internal/store"
)

func serve(ctx context.Context) error {
	c, err := loadConfig()
	if err != nil {
		return err
	}
	s, err := store.Open(ctx, c.DatabaseURL, store.Serving)
	if err != nil {
		return err
	}
	defer s.Close()
	if err := s.CheckSchema(ctx); err != nil {
		return err
	}
	l, err := net.Listen("tcp", c.Listen)
	if err != nil {
		return err
	}
	return serveOn(ctx, l, c, s, newLog())
}

func newLog() *slog.Logger {
	return slog.New(slog.NewTextHandler(os.Stderr, &slog.HandlerOptions{Level: slog.LevelInfo}))
}

func newApp(c config.Config, s *store.Store, log *slog.Logger) *app.App {
	return &app.App{
		Store:     s,
		Keys:      keys.NewRing(c.Secrets),
		Desk:      media.NewDesk(2),
		Recorder:  media.FindRecorder(),
		PublicURL: c.PublicURL,
		Now:       time.Now,
		Log:       log,
		Limits:    c.Limits,
		Mail:      mailer(c),
	}
}

// mailer is the mail server that is set; without one messages stay with the stand-in.
func mailer(c config.Config) mail.Sender {
	u, err := url.Parse(c.Mail)
	if err != nil || c.Mail == "" {
		return mail.StandIn{}
	}
	password, _ := u.User.Password()
	return mail.SMTP{Server: u.Host, From: c.MailFrom, User: u.User.Username(), Password: password}
}

// serveOn answers until the context ends, then lets open requests finish.
func serveOn(ctx context.Context, l net.Listener, c config.Config, s *store.Store, log *slog.Logger) error {
	a := newApp(c, s, log)
	hub := live.NewHub(s, log)
	hubCtx, stopHub := context.WithCancel(context.Background())
	defer stopHub()
	go hub.Run(hubCtx)
	go daily(hubCtx, a, log)
	go deliver(hubCtx, a, log)
	server := &http.Server{
		Handler:           (&api.Server{App: a, Hub: hub, Log: log, Secure: c.Secure(), Proxy: c.TrustProxy}).Routes(),
		ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 2 * time.Minute, WriteTimeout: 2 * time.Minute,
		IdleTimeout: 2 * time.Minute,
	}
	failed := make(chan error, 1)
	go func() { failed <- server.Serve(l) }()
	log.Info("serving", "listen", l.Addr().String(), "public", c.PublicURL)
	select {
	case err := <-failed:
		return err
	case <-ctx.Done():
	}
	stopHub() // ends the live streams, which would otherwise hold the shutdown
	wait, cancel := context.WithTimeout(context.Background(), 15*time.Second)
	defer cancel()
	if err := server.Shutdown(wait); err != nil && !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	log.Info("stopped")
	return nil
}

// deliver hands over what waits in the outbox, again and again.
func deliver(ctx context.Context, a *app.App, log *slog.Logger) {
	for {
		select {
		case <-time.After(10 * time.Second):
		case <-ctx.Done():
			return
		}
		sent, err := a.Deliver(ctx)
		if err != nil && ctx.Err() == nil {
			log.Error("delivering", "error", err)
		} else if sent > 0 {
			log.Info("delivered", "letters", sent)
		}
	}
}

// daily forgets what was kept long enough, an hour after the start and then
// once a day.
func daily(ctx context.Context, a *app.App, log *slog.Logger) {
	for wait := time.Hour; ; wait = 24 * time.Hour {
		select {
		case <-time.After(wait):
		case <-ctx.Done():
			return
		}
		gone, err := a.Forget(ctx)
		if err != nil {
			log.Error("forgetting", "error", err)
			continue
		}
		log.Info("forgot", "photos", gone.Photos, "homes", gone.Homes)
	}
}
