-- Editions that a newer import, or a split of a part, has replaced: kept whole, so that the step can be taken back.
CREATE TABLE edition (
    id        INTEGER PRIMARY KEY,
    piece_id  INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    file_name TEXT NOT NULL,
    original  BLOB NOT NULL,
    reason    TEXT NOT NULL,
    replaced  TEXT NOT NULL,
    restored  TEXT
) STRICT;
CREATE INDEX edition_piece ON edition (piece_id);

-- What the director corrected once holds for the next file: printed name and transposition to instrument.
CREATE TABLE learned_instrument (
    name       TEXT PRIMARY KEY,
    instrument TEXT NOT NULL
) STRICT;
