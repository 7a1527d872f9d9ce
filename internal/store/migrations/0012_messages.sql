-- +goose Up
-- What was written to homes, once a home and occasion; erased with the home.
CREATE TABLE message (
    class_id uuid NOT NULL,
    id uuid NOT NULL,
    home_id uuid NOT NULL,
    kind text NOT NULL,
    about uuid NOT NULL,
    address text NOT NULL,
    subject text NOT NULL,
    body text NOT NULL,
    made_at timestamptz NOT NULL,
    send_at timestamptz NOT NULL,
    sent_at timestamptz,
    tries integer NOT NULL DEFAULT 0,
    failed text NOT NULL DEFAULT '',
    PRIMARY KEY (class_id, id),
    UNIQUE (class_id, home_id, kind, about),
    FOREIGN KEY (class_id, home_id) REFERENCES home (class_id, id) ON DELETE CASCADE
);
CREATE INDEX message_waiting ON message (send_at) WHERE sent_at IS NULL;

-- +goose StatementBegin
CREATE OR REPLACE FUNCTION erase_pins() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    DELETE FROM pin WHERE class_id = NEW.class_id AND home_id = NEW.id;
    DELETE FROM message WHERE class_id = NEW.class_id AND home_id = NEW.id;
    RETURN NEW;
END $$;
-- +goose StatementEnd

-- +goose Down
-- +goose StatementBegin
CREATE OR REPLACE FUNCTION erase_pins() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    DELETE FROM pin WHERE class_id = NEW.class_id AND home_id = NEW.id;
    RETURN NEW;
END $$;
-- +goose StatementEnd
DROP TABLE message;
