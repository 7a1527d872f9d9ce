package mail_test

import (
	"errors"
	"io"
	"mime"
	"net"
	netmail "net/mail"
	"strings"
	"testing"

	"github.com/emersion/go-smtp"

	"patient-kitchen/internal/mail"
)

// box is a mail server that keeps what it takes.
type box struct{ got chan string }

func (b box) NewSession(*smtp.Conn) (smtp.Session, error) { return session{b}, nil }

type session struct{ box }

func (session) Reset()                               {}
func (session) Logout() error                        { return nil }
func (session) Mail(string, *smtp.MailOptions) error { return nil }
func (s session) Rcpt(to string, _ *smtp.RcptOptions) error {
	if strings.HasPrefix(to, "nobody@") {
		return &smtp.SMTPError{Code: 550, Message: "no such mailbox"}
	}
	return nil
}
func (s session) Data(r io.Reader) error {
	raw, err := io.ReadAll(r)
	s.got <- string(raw)
	return err
}

// A letter goes to a real mail server and is read back as mail; an address that is not
// there is refused for good; a server that is away is no refusal.
func TestSMTP(t *testing.T) {
	at, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	b := box{make(chan string, 1)}
	server := smtp.NewServer(b)
	server.Domain = "localhost"
	go func() { _ = server.Serve(at) }()
	t.Cleanup(func() { _ = server.Close() })
	s := mail.SMTP{Server: at.Addr().String(), From: "kitchen@school.example"}
	if err := s.Send(mail.Letter{To: "fern@home.example", Subject: "¿Qué hay en su cocina?",
		Body: "Buenos días.\nhttps://kitchen.example/h/x"}); err != nil {
		t.Fatal(err)
	}
	m, err := netmail.ReadMessage(strings.NewReader(<-b.got))
	if err != nil {
		t.Fatal(err)
	}
	subject, err := new(mime.WordDecoder).DecodeHeader(m.Header.Get("Subject"))
	body, _ := io.ReadAll(m.Body)
	if err != nil || subject != "¿Qué hay en su cocina?" ||
		!strings.HasPrefix(string(body), "Buenos días.\r\nhttps://") || m.Header.Get("To") != "fern@home.example" {
		t.Errorf("%q %q %v", subject, body, m.Header)
	}
	for _, to := range []string{"nobody@home.example", "no address"} {
		if err := s.Send(mail.Letter{To: to, Subject: "x", Body: "y"}); !errors.Is(err, mail.ErrRefused) {
			t.Errorf("%s: %v", to, err)
		}
	}
	_ = server.Close()
	if err := s.Send(mail.Letter{To: "fern@home.example"}); err == nil || errors.Is(err, mail.ErrRefused) {
		t.Errorf("a server that is away: %v", err)
	}
}
