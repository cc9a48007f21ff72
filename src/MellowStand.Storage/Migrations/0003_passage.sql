CREATE TABLE passage (
    id          INTEGER PRIMARY KEY,
    piece_id    INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    title       TEXT NOT NULL,
    parts       TEXT NOT NULL,
    from_index  INTEGER NOT NULL,
    to_index    INTEGER NOT NULL,
    start_unit  TEXT NOT NULL,
    start_bpm   REAL NOT NULL,
    goal_unit   TEXT NOT NULL,
    goal_bpm    REAL NOT NULL,
    climb       TEXT NOT NULL,
    climb_value REAL NOT NULL,
    begins      TEXT NOT NULL,
    due         TEXT NOT NULL,
    note        TEXT NOT NULL DEFAULT '',
    deleted     TEXT
) STRICT;
CREATE INDEX passage_piece ON passage (piece_id);

CREATE TABLE passage_step (
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    position   INTEGER NOT NULL,
    unit       TEXT NOT NULL,
    bpm        REAL NOT NULL,
    due        TEXT NOT NULL,
    PRIMARY KEY (passage_id, position)
) STRICT;

CREATE TABLE passage_section (
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    section_id INTEGER NOT NULL REFERENCES section (id) ON DELETE CASCADE,
    PRIMARY KEY (passage_id, section_id)
) STRICT;

CREATE TABLE passage_player (
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    player_id  INTEGER NOT NULL REFERENCES player (id) ON DELETE CASCADE,
    PRIMARY KEY (passage_id, player_id)
) STRICT;

CREATE TABLE log_entry (
    id         INTEGER PRIMARY KEY,
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    player_id  INTEGER NOT NULL REFERENCES player (id) ON DELETE CASCADE,
    unit       TEXT NOT NULL,
    bpm        REAL NOT NULL,
    heard      TEXT NOT NULL,
    note       TEXT NOT NULL DEFAULT '',
    deleted    TEXT
) STRICT;
CREATE INDEX log_entry_passage ON log_entry (passage_id);
