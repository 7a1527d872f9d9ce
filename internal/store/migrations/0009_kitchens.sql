-- +goose Up
-- What a home has, as it said itself or its teacher typed in; erased with the home.
CREATE TABLE kitchen (
    class_id uuid NOT NULL,
    home_id uuid NOT NULL,
    answers jsonb NOT NULL,
    by_teacher boolean NOT NULL,
    updated_at timestamptz NOT NULL,
    PRIMARY KEY (class_id, home_id),
    FOREIGN KEY (class_id, home_id) REFERENCES home (class_id, id) ON DELETE CASCADE
);

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
    DELETE FROM kitchen WHERE class_id = of_class AND home_id = of_home;
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
    UPDATE home SET nickname = '', contact = '', phone = '', note = '', letters = left(replace(of_home::text, '-', ''), 12),
        deleted_at = COALESCE(deleted_at, moment), erased_at = COALESCE(erased_at, moment)
        WHERE class_id = of_class AND id = of_home;
    PERFORM set_config('kitchen.erasing', 'off', true);
END $$;
-- +goose StatementEnd

DROP TABLE kitchen;
