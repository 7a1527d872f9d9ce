-- +goose Up
-- Pictures of designs, each under the SHA-256 of its file: drafts and frozen versions name it.
CREATE TABLE picture (
    id text PRIMARY KEY CHECK (id ~ '^[0-9a-f]{64}$'),
    teacher_id uuid REFERENCES teacher (id) ON DELETE SET NULL, -- who brought it first
    width integer NOT NULL CHECK (width > 0),
    height integer NOT NULL CHECK (height > 0),
    bytes bytea NOT NULL,
    created_at timestamptz NOT NULL
);
CREATE INDEX picture_teacher ON picture (teacher_id);

-- +goose Down
DROP TABLE picture;
