-- +goose Up
-- What the teacher writes for a home stands among its entries, as the desk's.
ALTER TABLE entry DROP CONSTRAINT entry_provenance_check;
ALTER TABLE entry ADD CONSTRAINT entry_provenance_check CHECK (provenance IN ('own', 'shared', 'practice', 'desk'));

-- +goose Down
ALTER TABLE entry DROP CONSTRAINT entry_provenance_check;
ALTER TABLE entry ADD CONSTRAINT entry_provenance_check CHECK (provenance IN ('own', 'shared', 'practice'));
