package store

import (
	"context"
	"time"

	"github.com/google/uuid"
)

// VersionSheet is a guardian's sheet as it was when its version was frozen.
type VersionSheet struct {
	VersionID uuid.UUID
	Language  string
	Format    int
	TextSha   []byte
	Body      []byte
	FrozenAt  time.Time
}

var versionSheetColumns = columns[VersionSheet]("version_sheet")

// AddVersionSheet freezes a sheet.
func (q *Queries) AddVersionSheet(ctx context.Context, s VersionSheet) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO version_sheet (version_id, language, format, text_sha, body, frozen_at)
			VALUES ($1, $2, $3, $4, $5, $6)`,
		s.VersionID,
		s.Language,
		s.Format,
		s.TextSha,
		s.Body,
		s.FrozenAt,
	)
}

// VersionSheets lists the frozen sheets, in a language, of all that was issued
// to a class.
func (q *Queries) VersionSheets(ctx context.Context, class uuid.UUID, language string) ([]VersionSheet, error) {
	return many[VersionSheet](
		ctx,
		q,
		`SELECT `+versionSheetColumns+` FROM version_sheet WHERE language = $2 AND version_id IN (SELECT version_id
			FROM assignment WHERE class_id = $1)`,
		class,
		language,
	)
}

// Assessment is a school's own risk assessment of a document.
type Assessment struct {
	ID           uuid.UUID
	ExperimentID uuid.UUID
	Sha256       []byte
	ByWhom       string
	About        string
	AssessedOn   time.Time
	SignedAt     time.Time
}

var assessmentColumns = columns[Assessment]("assessment")

// AddAssessment keeps an assessment.
func (q *Queries) AddAssessment(ctx context.Context, a Assessment) error {
	return q.exec(
		ctx,
		1,
		`INSERT INTO assessment (id, experiment_id, sha256, by_whom, about, assessed_on, signed_at)
			VALUES ($1, $2, $3, $4, $5, $6, $7)`,
		a.ID,
		a.ExperimentID,
		a.Sha256,
		a.ByWhom,
		a.About,
		a.AssessedOn,
		a.SignedAt,
	)
}

// LatestAssessment is the last one that was signed for an experiment.
func (q *Queries) LatestAssessment(ctx context.Context, experiment uuid.UUID) (Assessment, error) {
	return one[Assessment](
		ctx,
		q,
		`SELECT `+assessmentColumns+
			` FROM assessment WHERE experiment_id = $1 ORDER BY signed_at DESC, id DESC LIMIT 1`,
		experiment,
	)
}

// AssessmentOf is the last one signed for exactly a document.
func (q *Queries) AssessmentOf(ctx context.Context, experiment uuid.UUID, sha []byte) (Assessment, error) {
	return one[Assessment](
		ctx,
		q,
		`SELECT `+assessmentColumns+` FROM assessment WHERE experiment_id = $1 AND sha256 = $2
			ORDER BY signed_at DESC, id DESC LIMIT 1`,
		experiment,
		sha,
	)
}
