-- +goose Up
-- Days on which nothing is asked of homes: [{"first": "2026-12-21", "last": "2027-01-03"}].
ALTER TABLE class ADD COLUMN holidays jsonb NOT NULL DEFAULT '[]';

-- +goose Down
ALTER TABLE class DROP COLUMN holidays;
