-- +goose Up
-- What a home told through Something went wrong, each time it told more.
CREATE TABLE incident_event (
    class_id    uuid NOT NULL,
    incident_id uuid NOT NULL,
    sha256      bytea NOT NULL,
    door        text NOT NULL,
    card        text NOT NULL,
    outcome     text NOT NULL,
    note        text NOT NULL,
    phone_time  timestamptz NOT NULL,
    received_at timestamptz NOT NULL,
    PRIMARY KEY (class_id, incident_id, sha256),
    FOREIGN KEY (class_id, incident_id) REFERENCES incident ON DELETE CASCADE
);
CREATE TRIGGER incident_append_only BEFORE UPDATE OR DELETE ON incident_event FOR EACH ROW EXECUTE FUNCTION refuse_change();
ALTER TABLE incident ADD COLUMN said_at timestamptz;
UPDATE incident SET said_at = phone_time;
ALTER TABLE incident ALTER COLUMN said_at SET NOT NULL;

-- Names stand in no audit: the home's id does.
UPDATE audit SET detail = 'added' WHERE action = 'home' AND detail LIKE 'added %' AND detail NOT LIKE 'added % from a list';
UPDATE audit SET detail = 'let a step count' WHERE action = 'entry' AND detail LIKE 'let step %';

-- +goose StatementBegin
CREATE OR REPLACE FUNCTION erase_home(of_class uuid, of_home uuid, moment timestamptz) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
    -- Whoever writes for this home holds its row: they are waited for, and come
    -- after it was erased.
    PERFORM 1 FROM home WHERE class_id = of_class AND id = of_home FOR UPDATE;
    PERFORM set_config('kitchen.erasing', 'on', true);
    DELETE FROM media WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM entry WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM permission_event WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM incident WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM home_plan WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM home_device WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM link WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM student WHERE class_id = of_class AND home_id = of_home;
    UPDATE audit SET detail = '' WHERE class_id = of_class AND home_id = of_home AND detail NOT IN ('', 'erased', 'added', 'changed', 'deleted', 'restored', 'new link');
    UPDATE home SET nickname = '', contact = '', phone = '', letters = left(replace(of_home::text, '-', ''), 12),
        deleted_at = COALESCE(deleted_at, moment), erased_at = COALESCE(erased_at, moment)
        WHERE class_id = of_class AND id = of_home;
    PERFORM set_config('kitchen.erasing', 'off', true);
END $$;
-- +goose StatementEnd

-- +goose Down
DROP TABLE incident_event;
ALTER TABLE incident DROP COLUMN said_at;
