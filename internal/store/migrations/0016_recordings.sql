-- +goose Up
-- Clips and sounds beside pictures: what it is, and how long.
ALTER TABLE media ADD COLUMN form text NOT NULL DEFAULT 'picture' CHECK (form IN ('picture', 'clip', 'sound'));
ALTER TABLE media ADD COLUMN seconds real NOT NULL DEFAULT 0;
ALTER TABLE media_bytes DROP CONSTRAINT media_bytes_size_check;
ALTER TABLE media_bytes ADD CONSTRAINT media_bytes_size_check CHECK (size IN ('display', 'thumbnail', 'recording'));

-- +goose Down
DELETE FROM media WHERE form <> 'picture';
ALTER TABLE media_bytes DROP CONSTRAINT media_bytes_size_check;
ALTER TABLE media_bytes ADD CONSTRAINT media_bytes_size_check CHECK (size IN ('display', 'thumbnail'));
ALTER TABLE media DROP COLUMN seconds;
ALTER TABLE media DROP COLUMN form;
