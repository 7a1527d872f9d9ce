-- +goose Up
-- Counts what a teacher changed of a class and what its homes decided, so that
-- a page asks for nothing that it has.
ALTER TABLE class ADD COLUMN changes bigint NOT NULL DEFAULT 0;

-- A phone's last permission, and a teacher's word to a class, by one look.
DROP INDEX permission_assignment;
CREATE INDEX permission_home ON permission_event (class_id, assignment_id, home_id, at);

-- What a home says of itself, the teacher's readings, and who has sent: few
-- among many entries.
CREATE INDEX entry_fact ON entry (class_id) WHERE kind = 'fact';
CREATE INDEX entry_shared ON entry (class_id) WHERE home_id IS NULL;
CREATE INDEX entry_sent ON entry (class_id, assignment_id, home_id) WHERE kind = 'sent';

-- +goose Down
DROP INDEX entry_fact, entry_shared, entry_sent;
DROP INDEX permission_home;
CREATE INDEX permission_assignment ON permission_event (class_id, assignment_id, at);
ALTER TABLE class DROP COLUMN changes;
