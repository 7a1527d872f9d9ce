-- +goose Up
-- What a home uses, with which tools, as it was issued; its own design where that differs from the
-- version's; and what a guardian agreed to before that covers this plan too.
ALTER TABLE home_plan ADD COLUMN plan jsonb, ADD COLUMN document bytea, ADD COLUMN agreed bytea[] NOT NULL DEFAULT '{}';
CREATE INDEX home_plan_home ON home_plan (class_id, home_id);

-- What the teacher has fixed for a home in an experiment.
CREATE TABLE pin (
    class_id uuid NOT NULL,
    experiment_id uuid NOT NULL REFERENCES experiment,
    home_id uuid NOT NULL,
    need text NOT NULL,
    use text NOT NULL,
    PRIMARY KEY (class_id, experiment_id, home_id, need),
    FOREIGN KEY (class_id, home_id) REFERENCES home (class_id, id) ON DELETE CASCADE
);

-- +goose StatementBegin
CREATE FUNCTION erase_pins() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    DELETE FROM pin WHERE class_id = NEW.class_id AND home_id = NEW.id;
    RETURN NEW;
END $$;
-- +goose StatementEnd
CREATE TRIGGER home_erased AFTER UPDATE OF erased_at ON home
    FOR EACH ROW WHEN (OLD.erased_at IS NULL AND NEW.erased_at IS NOT NULL) EXECUTE FUNCTION erase_pins();

-- +goose Down
DROP TRIGGER home_erased ON home;
DROP FUNCTION erase_pins;
DROP TABLE pin;
DROP INDEX home_plan_home;
ALTER TABLE home_plan DROP COLUMN plan, DROP COLUMN document, DROP COLUMN agreed;
