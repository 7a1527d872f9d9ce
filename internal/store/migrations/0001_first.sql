-- +goose Up
-- Every row that belongs to a class is keyed (class_id, id), so that the
-- tables can be partitioned by class. The one exception is link: a family
-- comes in with a link before its class is known.

CREATE TABLE teacher (
    id            uuid PRIMARY KEY,
    email         text NOT NULL UNIQUE CHECK (email = lower(email)),
    name          text NOT NULL,
    password_hash text NOT NULL,
    created_at    timestamptz NOT NULL
);

-- Sign-in sessions; the token is stored hashed.
CREATE TABLE sessions (
    token  text PRIMARY KEY,
    data   bytea NOT NULL,
    expiry timestamptz NOT NULL
);
CREATE INDEX sessions_expiry ON sessions (expiry);

-- Counted tries at passwords and codes.
CREATE TABLE attempt (
    kind         text NOT NULL,
    key          text NOT NULL,
    window_start timestamptz NOT NULL,
    count        integer NOT NULL,
    PRIMARY KEY (kind, key)
);

CREATE TABLE class (
    id               uuid PRIMARY KEY,
    teacher_id       uuid NOT NULL REFERENCES teacher,
    name             text NOT NULL,
    school           text NOT NULL DEFAULT '',
    zone             text NOT NULL,
    language         text NOT NULL,
    unit_system      text NOT NULL CHECK (unit_system IN ('us', 'metric', 'uk', 'au')),
    emergency_number text NOT NULL DEFAULT '',
    poison_number    text NOT NULL DEFAULT '',
    photo_days       integer NOT NULL DEFAULT 30 CHECK (photo_days BETWEEN 1 AND 400),
    keep_until       date NOT NULL,
    version          integer NOT NULL DEFAULT 1,
    created_at       timestamptz NOT NULL,
    deleted_at       timestamptz
);
CREATE INDEX class_teacher ON class (teacher_id);

CREATE TABLE home (
    class_id   uuid NOT NULL REFERENCES class,
    id         uuid NOT NULL,
    nickname   text NOT NULL,
    letters    text NOT NULL,
    language   text NOT NULL,
    contact    text NOT NULL DEFAULT '',
    phone      text NOT NULL DEFAULT '',
    key_id     text NOT NULL,
    generation integer NOT NULL DEFAULT 1,
    version    integer NOT NULL DEFAULT 1,
    created_at timestamptz NOT NULL,
    opened_at  timestamptz,
    deleted_at timestamptz,
    erased_at  timestamptz,
    PRIMARY KEY (class_id, id)
);
CREATE UNIQUE INDEX home_letters ON home (class_id, letters) WHERE deleted_at IS NULL;
CREATE UNIQUE INDEX home_nickname ON home (class_id, lower(nickname)) WHERE deleted_at IS NULL;

CREATE TABLE student (
    class_id uuid NOT NULL,
    id       uuid NOT NULL,
    home_id  uuid NOT NULL,
    name     text NOT NULL,
    PRIMARY KEY (class_id, id),
    FOREIGN KEY (class_id, home_id) REFERENCES home
);
CREATE INDEX student_home ON student (class_id, home_id);

CREATE TABLE link (
    lookup     bytea PRIMARY KEY,
    kind       text NOT NULL CHECK (kind IN ('link', 'code')),
    class_id   uuid NOT NULL,
    home_id    uuid NOT NULL,
    generation integer NOT NULL,
    FOREIGN KEY (class_id, home_id) REFERENCES home
);
CREATE INDEX link_home ON link (class_id, home_id);

CREATE TABLE home_device (
    class_id   uuid NOT NULL,
    id         uuid NOT NULL,
    home_id    uuid NOT NULL,
    token_hash bytea NOT NULL,
    generation integer NOT NULL,
    created_at timestamptz NOT NULL,
    PRIMARY KEY (class_id, id),
    UNIQUE (class_id, home_id, token_hash),
    FOREIGN KEY (class_id, home_id) REFERENCES home
);

CREATE TABLE experiment (
    id         uuid PRIMARY KEY,
    teacher_id uuid NOT NULL REFERENCES teacher,
    title      text NOT NULL,
    draft      bytea NOT NULL,
    version    integer NOT NULL DEFAULT 1,
    created_at timestamptz NOT NULL,
    updated_at timestamptz NOT NULL,
    deleted_at timestamptz
);
CREATE INDEX experiment_teacher ON experiment (teacher_id);

-- The exact bytes that were issued; never updated.
CREATE TABLE experiment_version (
    id            uuid PRIMARY KEY,
    experiment_id uuid NOT NULL REFERENCES experiment,
    number        integer NOT NULL,
    document      bytea NOT NULL,
    sha256        bytea NOT NULL,
    schema        integer NOT NULL,
    frozen_at     timestamptz NOT NULL,
    UNIQUE (experiment_id, number)
);

CREATE TABLE assignment (
    class_id      uuid NOT NULL REFERENCES class,
    id            uuid NOT NULL,
    experiment_id uuid NOT NULL REFERENCES experiment,
    version_id    uuid NOT NULL REFERENCES experiment_version,
    opens_at      timestamptz NOT NULL,
    due_at        timestamptz NOT NULL CHECK (due_at > opens_at),
    issued_at     timestamptz NOT NULL,
    recalled_at   timestamptz,
    recall_reason text NOT NULL DEFAULT '',
    PRIMARY KEY (class_id, id)
);

CREATE TABLE home_plan (
    class_id      uuid NOT NULL,
    assignment_id uuid NOT NULL,
    home_id       uuid NOT NULL,
    number        integer NOT NULL,
    rules_version integer NOT NULL,
    text_sha      bytea NOT NULL,
    created_at    timestamptz NOT NULL,
    PRIMARY KEY (class_id, assignment_id, home_id, number),
    FOREIGN KEY (class_id, assignment_id) REFERENCES assignment,
    FOREIGN KEY (class_id, home_id) REFERENCES home
);

CREATE TABLE permission_event (
    class_id      uuid NOT NULL,
    id            uuid NOT NULL,
    assignment_id uuid NOT NULL,
    home_id       uuid NOT NULL,
    kind          text NOT NULL CHECK (kind IN ('granted', 'declined', 'withdrawn')),
    guardian      text NOT NULL,
    photos        boolean NOT NULL,
    gallery       boolean NOT NULL,
    language      text NOT NULL,
    text_sha      bytea NOT NULL,
    at            timestamptz NOT NULL,
    PRIMARY KEY (class_id, id),
    FOREIGN KEY (class_id, assignment_id) REFERENCES assignment,
    FOREIGN KEY (class_id, home_id) REFERENCES home
);
CREATE INDEX permission_assignment ON permission_event (class_id, assignment_id, at);

-- home_id is null for the teacher's own shared readings.
CREATE TABLE entry (
    class_id      uuid NOT NULL,
    id            uuid NOT NULL,
    assignment_id uuid NOT NULL,
    home_id       uuid,
    provenance    text NOT NULL CHECK (provenance IN ('own', 'shared', 'practice')),
    kind          text NOT NULL,
    body          bytea NOT NULL,
    body_sha      bytea NOT NULL,
    phone_time    timestamptz NOT NULL,
    offset_ms     bigint NOT NULL,
    received_at   timestamptz NOT NULL,
    late          boolean NOT NULL,
    clock_jump    boolean NOT NULL,
    PRIMARY KEY (class_id, id),
    CHECK ((home_id IS NULL) = (provenance = 'shared')),
    FOREIGN KEY (class_id, assignment_id) REFERENCES assignment,
    FOREIGN KEY (class_id, home_id) REFERENCES home
);
CREATE INDEX entry_home ON entry (class_id, assignment_id, home_id, received_at);

CREATE TABLE media (
    class_id      uuid NOT NULL,
    id            uuid NOT NULL,
    assignment_id uuid NOT NULL,
    home_id       uuid,
    width         integer NOT NULL,
    height        integer NOT NULL,
    upload_sha    bytea NOT NULL,
    created_at    timestamptz NOT NULL,
    PRIMARY KEY (class_id, id),
    FOREIGN KEY (class_id, assignment_id) REFERENCES assignment,
    FOREIGN KEY (class_id, home_id) REFERENCES home
);
CREATE INDEX media_home ON media (class_id, assignment_id, home_id);

-- Bytes stand apart, so that lists never carry them.
CREATE TABLE media_bytes (
    class_id uuid NOT NULL,
    media_id uuid NOT NULL,
    size     text NOT NULL CHECK (size IN ('display', 'thumbnail')),
    bytes    bytea NOT NULL,
    PRIMARY KEY (class_id, media_id, size),
    FOREIGN KEY (class_id, media_id) REFERENCES media ON DELETE CASCADE
);
ALTER TABLE media_bytes ALTER COLUMN bytes SET STORAGE EXTERNAL;

CREATE TABLE incident (
    class_id      uuid NOT NULL,
    id            uuid NOT NULL,
    assignment_id uuid,
    home_id       uuid NOT NULL,
    door          text NOT NULL CHECK (door IN ('hurt', 'spilled', 'not-working')),
    card          text NOT NULL DEFAULT '',
    outcome       text NOT NULL DEFAULT '',
    note          text NOT NULL DEFAULT '',
    phone_time    timestamptz NOT NULL,
    received_at   timestamptz NOT NULL,
    seen_at       timestamptz,
    PRIMARY KEY (class_id, id),
    FOREIGN KEY (class_id, home_id) REFERENCES home
);

CREATE TABLE audit (
    class_id   uuid NOT NULL REFERENCES class,
    id         uuid NOT NULL,
    teacher_id uuid NOT NULL REFERENCES teacher,
    home_id    uuid,
    action     text NOT NULL,
    detail     text NOT NULL DEFAULT '',
    at         timestamptz NOT NULL,
    PRIMARY KEY (class_id, id)
);

CREATE TABLE marker (name text PRIMARY KEY, value text NOT NULL);

-- +goose StatementBegin
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
    IF current_setting('kitchen.erasing', true) = 'on' THEN
        RETURN COALESCE(NEW, OLD);
    END IF;
    RAISE EXCEPTION '% is append-only', TG_TABLE_NAME USING ERRCODE = 'integrity_constraint_violation';
END $$;
-- +goose StatementEnd
CREATE TRIGGER entry_append_only BEFORE UPDATE OR DELETE ON entry FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER permission_append_only BEFORE UPDATE OR DELETE ON permission_event FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER version_frozen BEFORE UPDATE OR DELETE ON experiment_version FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- Removes a home's names, words and pictures for good and leaves a dated
-- tombstone. It is the only way an entry is ever deleted.
-- +goose StatementBegin
CREATE FUNCTION erase_home(of_class uuid, of_home uuid, moment timestamptz) RETURNS void LANGUAGE plpgsql AS $$
BEGIN
    PERFORM set_config('kitchen.erasing', 'on', true);
    DELETE FROM media WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM entry WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM permission_event WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM incident WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM home_plan WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM home_device WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM link WHERE class_id = of_class AND home_id = of_home;
    DELETE FROM student WHERE class_id = of_class AND home_id = of_home;
    UPDATE home SET nickname = '', contact = '', phone = '', letters = left(replace(of_home::text, '-', ''), 12),
        deleted_at = COALESCE(deleted_at, moment), erased_at = moment
        WHERE class_id = of_class AND id = of_home;
    PERFORM set_config('kitchen.erasing', 'off', true);
END $$;
-- +goose StatementEnd

-- +goose Down
DROP FUNCTION erase_home;
DROP TABLE marker, audit, incident, media_bytes, media, entry, permission_event, home_plan, assignment,
    experiment_version, experiment, home_device, link, student, home, class, attempt, sessions, teacher CASCADE;
DROP FUNCTION refuse_change;
