-- +goose Up
-- The title of an experiment in every language that its draft has.
ALTER TABLE experiment ALTER COLUMN title TYPE jsonb USING CASE title WHEN 'Without a title' THEN '{}' ELSE jsonb_build_object('en', title) END;

-- +goose Down
ALTER TABLE experiment ALTER COLUMN title TYPE text USING COALESCE(title ->> 'en', title ->> 'es', 'Without a title');
