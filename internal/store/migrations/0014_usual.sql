-- +goose Up
-- What a teacher says of the place for homes that have not measured it: altitude, temperatures.
ALTER TABLE class ADD COLUMN usual jsonb NOT NULL DEFAULT '{}';

-- +goose Down
ALTER TABLE class DROP COLUMN usual;
