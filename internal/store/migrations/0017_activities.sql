-- +goose Up
-- Activities of a session that a guardian did not agree to, by their ids.
ALTER TABLE permission_event ADD COLUMN without text[] NOT NULL DEFAULT '{}';

-- +goose Down
ALTER TABLE permission_event DROP COLUMN without;
