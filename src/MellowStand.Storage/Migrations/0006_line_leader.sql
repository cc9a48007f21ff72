-- The part that leads a line, by the parts of the line (their ids in order, with commas).
CREATE TABLE line_leader (
    piece_id INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    parts    TEXT NOT NULL,
    leader   TEXT NOT NULL,
    PRIMARY KEY (piece_id, parts)
) STRICT;
