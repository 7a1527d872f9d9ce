package results

import (
	"time"

	"github.com/google/uuid"
)

// AssignmentView is an assignment as its teacher sees it.
type AssignmentView struct {
	ID           uuid.UUID  `json:"id"`
	Class        uuid.UUID  `json:"class"`
	ClassName    string     `json:"class_name"`
	Experiment   uuid.UUID  `json:"experiment"`
	Title        string     `json:"title"`
	Number       int        `json:"number" doc:"Version number"`
	OpensAt      time.Time  `json:"opens_at"`
	DueAt        time.Time  `json:"due_at"`
	IssuedAt     time.Time  `json:"issued_at"`
	RecalledAt   *time.Time `json:"recalled_at,omitempty"`
	RecallReason string     `json:"recall_reason,omitempty"`
	Homes        int        `json:"homes"`
	Sent         int        `json:"sent" doc:"Homes that sent their work"`
	State        string     `json:"state" enum:"waiting,open,over,recalled"`
}
