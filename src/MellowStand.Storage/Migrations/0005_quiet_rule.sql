-- A rule of Study that stays quiet in one piece, or everywhere (piece 0).
CREATE TABLE quiet_rule (
    piece_id INTEGER NOT NULL,
    rule     TEXT NOT NULL,
    made     TEXT NOT NULL,
    PRIMARY KEY (piece_id, rule)
) STRICT;
