package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// Message is something written to a home.
type Message struct {
	ClassID uuid.UUID
	ID      uuid.UUID
	HomeID  uuid.UUID
	Kind    string
	About   uuid.UUID // the assignment or experiment
	Address string
	Subject string
	Body    string
	MadeAt  time.Time
	SendAt  time.Time // not before
	SentAt  *time.Time
	Tries   int
	Failed  string // why it could not be sent; "" where nothing failed
}

var messageColumns = columns[Message]("message")

// AddMessage puts a message into the outbox; it reports false where the home was written
// to on this occasion before.
func (q *Queries) AddMessage(ctx context.Context, m Message) (bool, error) {
	tag, err := q.db.Exec(ctx, `INSERT INTO message (class_id, id, home_id, kind, about, address, subject, body,
		made_at, send_at)
		VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) ON CONFLICT (class_id, home_id, kind, about) DO NOTHING`,
		m.ClassID, m.ID, m.HomeID, m.Kind, m.About, m.Address, m.Subject, m.Body, m.MadeAt, m.SendAt)
	return err == nil && tag.RowsAffected() == 1, translate(err)
}

// Messages lists what was written to the homes of a class, the latest first.
func (q *Queries) Messages(ctx context.Context, class uuid.UUID) ([]Message, error) {
	return many[Message](ctx, q, `SELECT `+messageColumns+` FROM message WHERE class_id = $1
		ORDER BY made_at DESC, id DESC LIMIT 2000`, class)
}

// WaitingMessages takes some messages that are to be sent now, held until the transaction
// ends; those that another process holds are passed by.
func (q *Queries) WaitingMessages(ctx context.Context, now time.Time, tries, most int) ([]Message, error) {
	return many[Message](ctx, q, `SELECT `+messageColumns+` FROM message WHERE sent_at IS NULL AND send_at <= $1
		AND tries < $2
		ORDER BY send_at, id LIMIT $3 FOR UPDATE SKIP LOCKED`, now, tries, most)
}

// Sent notes what became of a message: sent, or why not and when it is tried again.
func (q *Queries) Sent(ctx context.Context, m Message) error {
	return q.exec(ctx, 1, `UPDATE message SET sent_at = $3, tries = $4, failed = $5, send_at = $6 WHERE class_id = $1
		AND id = $2`,
		m.ClassID, m.ID, m.SentAt, m.Tries, m.Failed, m.SendAt)
}
