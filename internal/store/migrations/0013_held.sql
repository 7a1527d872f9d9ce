-- +goose Up
-- By which version of a draft each home was planned, and for what answers: what changes at one
-- home changes its plan alone, until its teacher plans again.
CREATE TABLE held (
    class_id uuid NOT NULL,
    experiment_id uuid NOT NULL REFERENCES experiment,
    home_id uuid NOT NULL,
    answers bytea NOT NULL,
    variant text NOT NULL,
    PRIMARY KEY (class_id, experiment_id, home_id),
    FOREIGN KEY (class_id, home_id) REFERENCES home (class_id, id) ON DELETE CASCADE
);

-- +goose StatementBegin
CREATE OR REPLACE FUNCTION erase_pins() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    DELETE FROM pin WHERE class_id = NEW.class_id AND home_id = NEW.id;
    DELETE FROM message WHERE class_id = NEW.class_id AND home_id = NEW.id;
    DELETE FROM held WHERE class_id = NEW.class_id AND home_id = NEW.id;
    RETURN NEW;
END $$;
-- +goose StatementEnd

-- +goose Down
-- +goose StatementBegin
CREATE OR REPLACE FUNCTION erase_pins() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    DELETE FROM pin WHERE class_id = NEW.class_id AND home_id = NEW.id;
    DELETE FROM message WHERE class_id = NEW.class_id AND home_id = NEW.id;
    RETURN NEW;
END $$;
-- +goose StatementEnd
DROP TABLE held;
