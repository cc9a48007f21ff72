CREATE TABLE director (
    id            INTEGER PRIMARY KEY CHECK (id = 1),
    name          TEXT NOT NULL,
    password_hash TEXT NOT NULL,
    created       TEXT NOT NULL
) STRICT;

CREATE TABLE house_rule (
    name   TEXT PRIMARY KEY,
    choice TEXT NOT NULL
) STRICT;

CREATE TABLE section (
    id       INTEGER PRIMARY KEY,
    name     TEXT NOT NULL,
    position INTEGER NOT NULL
) STRICT;

CREATE TABLE player (
    id         INTEGER PRIMARY KEY,
    section_id INTEGER NOT NULL REFERENCES section (id) ON DELETE CASCADE,
    name       TEXT NOT NULL,
    instrument TEXT,
    chair      INTEGER NOT NULL,
    level      TEXT NOT NULL DEFAULT 'comfortable'
) STRICT;
CREATE INDEX player_section ON player (section_id);
