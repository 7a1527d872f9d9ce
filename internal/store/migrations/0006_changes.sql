-- +goose Up
-- Counts what a teacher changed of a class and what its homes decided, so that
-- a page asks for nothing that it has.
ALTER TABLE class ADD COLUMN changes bigint NOT NULL DEFAULT 0;

-- A phone's last permission, and a teacher's word to a class, by one look.
DROP INDEX permission_assignment;
CREATE INDEX permission_home ON permission_event (class_id, assignment_id, home_id, at);

-- +goose Down
DROP INDEX permission_home;
CREATE INDEX permission_assignment ON permission_event (class_id, assignment_id, at);
ALTER TABLE class DROP COLUMN changes;
