CREATE TABLE piece (
    id         INTEGER PRIMARY KEY,
    title      TEXT NOT NULL,
    kind       TEXT NOT NULL CHECK (kind IN ('piece', 'etude')),
    etude_set  TEXT,
    due        TEXT,
    file_name  TEXT NOT NULL,
    original   BLOB NOT NULL,
    added      TEXT NOT NULL,
    deleted    TEXT
) STRICT;

CREATE TABLE part_choice (
    piece_id   INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    part       TEXT NOT NULL,
    instrument TEXT,
    section_id INTEGER REFERENCES section (id) ON DELETE SET NULL,
    PRIMARY KEY (piece_id, part)
) STRICT;

CREATE TABLE decision (
    id         INTEGER PRIMARY KEY,
    piece_id   INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    difference TEXT,
    verdict    TEXT NOT NULL CHECK (verdict IN ('accepted', 'reading', 'kept', 'free')),
    reading    TEXT,
    why        TEXT NOT NULL,
    person     TEXT NOT NULL,
    made       TEXT NOT NULL,
    undone     TEXT
) STRICT;
CREATE INDEX decision_piece ON decision (piece_id);
-- One decision in force settles a difference: a second person is told, and neither is lost.
CREATE UNIQUE INDEX decision_in_force ON decision (piece_id, difference) WHERE undone IS NULL AND difference IS NOT NULL;

CREATE TABLE decision_change (
    decision_id INTEGER NOT NULL REFERENCES decision (id) ON DELETE CASCADE,
    position    INTEGER NOT NULL,
    part        TEXT NOT NULL,
    notes       TEXT NOT NULL,
    added       TEXT NOT NULL,
    removed     TEXT NOT NULL,
    PRIMARY KEY (decision_id, position)
) STRICT;

CREATE TABLE dismissal (
    piece_id INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    finding  TEXT NOT NULL,
    title    TEXT NOT NULL,
    made     TEXT NOT NULL,
    PRIMARY KEY (piece_id, finding)
) STRICT;
