-- How often a row was changed: a change is made only to what its maker has seen.
ALTER TABLE piece ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
ALTER TABLE section ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
ALTER TABLE player ADD COLUMN version INTEGER NOT NULL DEFAULT 0;
ALTER TABLE house_rule ADD COLUMN version INTEGER NOT NULL DEFAULT 0;

-- Who is signed in: a cookie holds as long as its row stands here. The token is stored as its hash.
CREATE TABLE session (
    token TEXT PRIMARY KEY,
    name  TEXT NOT NULL,
    begun TEXT NOT NULL
) STRICT;
