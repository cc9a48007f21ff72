-- An audition set: the pieces of every instrument, the rounds, who auditions.
CREATE TABLE audition_set (
    id      INTEGER PRIMARY KEY,
    name    TEXT NOT NULL,
    made    TEXT NOT NULL,
    version INTEGER NOT NULL DEFAULT 0,
    deleted TEXT
) STRICT;

CREATE TABLE audition_round (
    id       INTEGER PRIMARY KEY,
    set_id   INTEGER NOT NULL REFERENCES audition_set (id) ON DELETE CASCADE,
    position INTEGER NOT NULL,
    name     TEXT NOT NULL,
    held     TEXT NOT NULL,
    way      TEXT NOT NULL CHECK (way IN ('live', 'one-take', 'by-piece')),
    screened INTEGER NOT NULL DEFAULT 0,
    version  INTEGER NOT NULL DEFAULT 0,
    deleted  TEXT
) STRICT;
CREATE INDEX audition_round_set ON audition_round (set_id);

-- A piece of an instrument. A borrowed one names the entry that it was taken from; its piece is a copy of its own.
CREATE TABLE audition_entry (
    id         INTEGER PRIMARY KEY,
    set_id     INTEGER NOT NULL REFERENCES audition_set (id) ON DELETE CASCADE,
    piece_id   INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    instrument TEXT NOT NULL,
    kind       TEXT NOT NULL,
    lender     INTEGER REFERENCES audition_entry (id),
    reading    TEXT NOT NULL DEFAULT '',
    unit       TEXT NOT NULL DEFAULT 'quarter',
    slowest    REAL,
    quickest   REAL,
    errata     TEXT NOT NULL DEFAULT '',
    version    INTEGER NOT NULL DEFAULT 0,
    deleted    TEXT
) STRICT;
CREATE INDEX audition_entry_set ON audition_entry (set_id);
CREATE INDEX audition_entry_piece ON audition_entry (piece_id);

-- Measures asked in a round, as the notice prints them: empty for the whole piece. Without a row the round does not ask for it.
CREATE TABLE audition_asked (
    entry_id   INTEGER NOT NULL REFERENCES audition_entry (id) ON DELETE CASCADE,
    round_id   INTEGER NOT NULL REFERENCES audition_round (id) ON DELETE CASCADE,
    from_label TEXT NOT NULL DEFAULT '',
    to_label   TEXT NOT NULL DEFAULT '',
    PRIMARY KEY (entry_id, round_id)
) STRICT;

CREATE TABLE audition_candidate (
    id         INTEGER PRIMARY KEY,
    set_id     INTEGER NOT NULL REFERENCES audition_set (id) ON DELETE CASCADE,
    player_id  INTEGER NOT NULL REFERENCES player (id) ON DELETE CASCADE,
    instrument TEXT NOT NULL,
    deleted    TEXT
) STRICT;
CREATE UNIQUE INDEX audition_candidate_one ON audition_candidate (set_id, player_id, instrument);

-- The house's answers of a set, and the decisions that they became.
CREATE TABLE audition_answer (
    id      INTEGER PRIMARY KEY,
    set_id  INTEGER NOT NULL REFERENCES audition_set (id) ON DELETE CASCADE,
    matter  TEXT NOT NULL,
    answer  TEXT NOT NULL,
    made    TEXT NOT NULL,
    undone  TEXT
) STRICT;
CREATE UNIQUE INDEX audition_answer_one ON audition_answer (set_id, matter) WHERE undone IS NULL;

CREATE TABLE audition_decision (
    answer_id   INTEGER NOT NULL REFERENCES audition_answer (id) ON DELETE CASCADE,
    decision_id INTEGER NOT NULL REFERENCES decision (id) ON DELETE CASCADE,
    PRIMARY KEY (answer_id, decision_id)
) STRICT;

-- Passages handed out for a round: what a candidate's readiness rests on. A run-through is the whole, and teaches no part of it.
CREATE TABLE audition_passage (
    entry_id   INTEGER NOT NULL REFERENCES audition_entry (id) ON DELETE CASCADE,
    round_id   INTEGER NOT NULL REFERENCES audition_round (id) ON DELETE CASCADE,
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    run        INTEGER NOT NULL DEFAULT 0,
    PRIMARY KEY (entry_id, round_id, passage_id)
) STRICT;

-- A mock audition: the order is drawn from the seed and kept as drawn.
CREATE TABLE mock_audition (
    id        INTEGER PRIMARY KEY,
    round_id  INTEGER NOT NULL REFERENCES audition_round (id) ON DELETE CASCADE,
    title     TEXT NOT NULL,
    held      TEXT NOT NULL,
    seed      INTEGER NOT NULL,
    screened  INTEGER NOT NULL,
    trimmed   INTEGER NOT NULL,
    listeners TEXT NOT NULL,
    weights   TEXT NOT NULL,
    version   INTEGER NOT NULL DEFAULT 0,
    deleted   TEXT
) STRICT;
CREATE INDEX mock_audition_round ON mock_audition (round_id);

CREATE TABLE mock_seat (
    mock_id      INTEGER NOT NULL REFERENCES mock_audition (id) ON DELETE CASCADE,
    number       INTEGER NOT NULL,
    candidate_id INTEGER NOT NULL REFERENCES audition_candidate (id) ON DELETE CASCADE,
    PRIMARY KEY (mock_id, number)
) STRICT;

CREATE TABLE mock_mark (
    id       INTEGER PRIMARY KEY,
    mock_id  INTEGER NOT NULL REFERENCES mock_audition (id) ON DELETE CASCADE,
    number   INTEGER NOT NULL,
    listener INTEGER NOT NULL,
    marks    TEXT NOT NULL DEFAULT '',
    note     TEXT NOT NULL DEFAULT '',
    version  INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE UNIQUE INDEX mock_mark_one ON mock_mark (mock_id, number, listener);
