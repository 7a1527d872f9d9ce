-- +goose Up
-- A school's own things in the larder, kept per teacher as the data files
-- write them.
CREATE TABLE own_material (
    teacher_id uuid NOT NULL REFERENCES teacher (id),
    id         text NOT NULL CHECK (id ~ '^[a-z][a-z0-9-]{0,39}$'),
    material   bytea NOT NULL,
    updated_at timestamptz NOT NULL,
    PRIMARY KEY (teacher_id, id)
);

-- +goose Down
DROP TABLE own_material;
