-- +goose Up
-- A school's own things and swaps in the larder, kept per teacher as the open
-- file writes them.
CREATE TABLE own_entry (
    teacher_id uuid NOT NULL REFERENCES teacher (id),
    kind       text NOT NULL CHECK (kind IN ('thing', 'swap')),
    id         text NOT NULL CHECK (id ~ '^[a-z][a-z0-9-]{0,39}$'),
    body       bytea NOT NULL,
    updated_at timestamptz NOT NULL,
    PRIMARY KEY (teacher_id, kind, id)
);

-- +goose Down
DROP TABLE own_entry;
