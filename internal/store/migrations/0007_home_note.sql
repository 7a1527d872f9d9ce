-- +goose Up
-- What a school list says of a home and no other field holds, for its teacher
-- alone.
ALTER TABLE home ADD COLUMN note text NOT NULL DEFAULT '';

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
    UPDATE home SET nickname = '', contact = '', phone = '', note = '', letters = left(replace(of_home::text, '-', ''), 12),
        deleted_at = COALESCE(deleted_at, moment), erased_at = COALESCE(erased_at, moment)
        WHERE class_id = of_class AND id = of_home;
    PERFORM set_config('kitchen.erasing', 'off', true);
END $$;
-- +goose StatementEnd

-- +goose Down
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
ALTER TABLE home DROP COLUMN note;
