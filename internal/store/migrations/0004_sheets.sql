-- +goose Up
-- What a guardian reads is frozen with the version, in each language.
CREATE TABLE version_sheet (
    version_id uuid NOT NULL REFERENCES experiment_version (id),
    language   text NOT NULL,
    format     integer NOT NULL,
    text_sha   bytea NOT NULL,
    body       bytea NOT NULL,
    frozen_at  timestamptz NOT NULL,
    PRIMARY KEY (version_id, language)
);
CREATE TRIGGER sheet_frozen BEFORE UPDATE OR DELETE ON version_sheet FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- The school's own risk assessment, signed for a document as it was.
CREATE TABLE assessment (
    id            uuid PRIMARY KEY,
    experiment_id uuid NOT NULL REFERENCES experiment (id),
    sha256        bytea NOT NULL,
    by_whom       text NOT NULL,
    about         text NOT NULL,
    assessed_on   date NOT NULL,
    signed_at     timestamptz NOT NULL
);
CREATE INDEX assessment_of ON assessment (experiment_id, signed_at);
CREATE TRIGGER assessment_append_only BEFORE UPDATE OR DELETE ON assessment FOR EACH ROW EXECUTE FUNCTION refuse_change();

-- A class may ask for it before anything is issued.
ALTER TABLE class ADD COLUMN needs_assessment boolean NOT NULL DEFAULT false;

-- +goose Down
ALTER TABLE class DROP COLUMN needs_assessment;
DROP TABLE assessment;
DROP TABLE version_sheet;
