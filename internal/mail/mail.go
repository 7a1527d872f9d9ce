// Package mail hands messages to a mail server, or to the stand-in that ships with the
// program and keeps them.
//
// It must not know homes or classes. Start reading at [Sender].
package mail

import (
	"errors"
	"fmt"
	"mime"
	"net"
	netmail "net/mail"
	"net/smtp"
	"strings"
	"time"
)

// Letter is one message to one address.
type Letter struct{ To, Subject, Body string }

// Sender hands letters over. An error that is [ErrRefused] will be the same the next time.
type Sender interface{ Send(Letter) error }

// ErrRefused is a letter that the other side does not take.
var ErrRefused = errors.New("the address was refused")

// StandIn takes every letter but those to an address that says that it bounces.
type StandIn struct{}

// Send takes a letter.
func (StandIn) Send(l Letter) error {
	if strings.Contains(l.To, "bounce") {
		return ErrRefused
	}
	return nil
}

// SMTP hands letters to a mail server (RFC 5321), encrypted where it offers that.
type SMTP struct {
	Server         string // host and port
	From           string
	User, Password string // none for a server that asks for none
}

// Send hands a letter to the server.
func (s SMTP) Send(l Letter) error {
	to, err := netmail.ParseAddress(l.To)
	if err != nil {
		return fmt.Errorf("%w: %s is no address", ErrRefused, l.To)
	}
	host, _, err := net.SplitHostPort(s.Server)
	if err != nil {
		return err
	}
	var auth smtp.Auth
	if s.User != "" {
		auth = smtp.PlainAuth("", s.User, s.Password, host)
	}
	err = smtp.SendMail(s.Server, auth, s.From, []string{to.Address}, s.text(l, to.Address, time.Now()))
	if err != nil && strings.HasPrefix(err.Error(), "55") { // the mailbox is not there, or not for us
		return fmt.Errorf("%w: %s", ErrRefused, err)
	}
	return err
}

// text is a letter as it goes over the wire (RFC 5322): plain words, eight bits.
func (s SMTP) text(l Letter, to string, now time.Time) []byte {
	head := []string{
		"From: " + s.From, "To: " + to, "Subject: " +
			mime.QEncoding.Encode("utf-8", strings.Join(strings.Fields(l.Subject), " ")),
		"Date: " + now.Format(time.RFC1123Z), "MIME-Version: 1.0", "Content-Type: text/plain; charset=utf-8",
		"Content-Transfer-Encoding: 8bit",
	}
	return []byte(strings.Join(head, "\r\n") + "\r\n\r\n" + strings.ReplaceAll(l.Body, "\n", "\r\n") + "\r\n")
}
