-- +goose Up
-- For which experiments the homes of a class were asked what their kitchens have.
CREATE TABLE asked (
    class_id uuid NOT NULL REFERENCES class,
    experiment_id uuid NOT NULL REFERENCES experiment,
    asked_at timestamptz NOT NULL,
    PRIMARY KEY (class_id, experiment_id)
);

-- +goose Down
DROP TABLE asked;
