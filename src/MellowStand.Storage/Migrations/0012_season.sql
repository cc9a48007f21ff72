-- When the school practices: one row, and what differs from it by day, section and player.
CREATE TABLE practice_calendar (
    id        INTEGER PRIMARY KEY CHECK (id = 1),
    minutes   INTEGER NOT NULL DEFAULT 20,
    rest_days TEXT NOT NULL DEFAULT '0',
    run_days  INTEGER NOT NULL DEFAULT 3,
    version   INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO practice_calendar (id) VALUES (1);

CREATE TABLE calendar_entry (
    id      INTEGER PRIMARY KEY,
    first   TEXT NOT NULL,
    last    TEXT NOT NULL,
    kind    TEXT NOT NULL,
    minutes INTEGER NOT NULL DEFAULT 0,
    title   TEXT NOT NULL DEFAULT '',
    starts  TEXT,
    uid     TEXT,
    version INTEGER NOT NULL DEFAULT 0,
    deleted TEXT
) STRICT;

CREATE TABLE practice_minutes (
    whose   TEXT NOT NULL CHECK (whose IN ('section', 'player')),
    id      INTEGER NOT NULL,
    minutes INTEGER NOT NULL,
    PRIMARY KEY (whose, id)
) STRICT;

-- Plans of the season: a draft is looked at before it is kept; the newest that is kept is in force, and undoing it brings
-- the one before back. A number is never given twice: a page that holds an old draft must not keep another one.
CREATE TABLE season_plan (
    id      INTEGER PRIMARY KEY AUTOINCREMENT,
    made    TEXT NOT NULL,
    state   TEXT NOT NULL CHECK (state IN ('draft', 'kept', 'undone')),
    proved  TEXT NOT NULL,
    late    INTEGER NOT NULL,
    peak    INTEGER NOT NULL,
    bound   INTEGER NOT NULL,
    gives   TEXT NOT NULL,
    changes TEXT NOT NULL,
    version INTEGER NOT NULL DEFAULT 0
) STRICT;

CREATE TABLE season_item (
    id         INTEGER PRIMARY KEY,
    plan_id    INTEGER NOT NULL REFERENCES season_plan (id) ON DELETE CASCADE,
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    band       TEXT NOT NULL,
    players    TEXT NOT NULL,
    minutes    INTEGER NOT NULL,
    why        TEXT NOT NULL
) STRICT;
CREATE INDEX season_item_plan ON season_item (plan_id);
CREATE INDEX season_item_passage ON season_item (passage_id);

CREATE TABLE season_session (
    id      INTEGER PRIMARY KEY,
    item_id INTEGER NOT NULL REFERENCES season_item (id) ON DELETE CASCADE,
    day     TEXT NOT NULL,
    step    INTEGER NOT NULL,
    by_hand INTEGER NOT NULL DEFAULT 0
) STRICT;
-- A passage is practiced at most once a day.
CREATE UNIQUE INDEX season_session_day ON season_session (item_id, day);

-- A try that failed counts too; an entry can be corrected.
ALTER TABLE log_entry ADD COLUMN clean INTEGER NOT NULL DEFAULT 1;
ALTER TABLE log_entry ADD COLUMN version INTEGER NOT NULL DEFAULT 0;

-- A remark that belongs to many is written once: numbers of players with spaces between.
CREATE TABLE shared_remark (
    id         INTEGER PRIMARY KEY,
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    players    TEXT NOT NULL,
    words      TEXT NOT NULL,
    said       TEXT NOT NULL,
    deleted    TEXT
) STRICT;
CREATE INDEX shared_remark_passage ON shared_remark (passage_id);

CREATE TABLE playing_test (
    id         INTEGER PRIMARY KEY,
    passage_id INTEGER NOT NULL REFERENCES passage (id) ON DELETE CASCADE,
    title      TEXT NOT NULL,
    unit       TEXT NOT NULL,
    bpm        REAL NOT NULL,
    held       TEXT NOT NULL,
    weights    TEXT NOT NULL,
    version    INTEGER NOT NULL DEFAULT 0,
    deleted    TEXT
) STRICT;
CREATE INDEX playing_test_passage ON playing_test (passage_id);

CREATE TABLE test_mark (
    id        INTEGER PRIMARY KEY,
    test_id   INTEGER NOT NULL REFERENCES playing_test (id) ON DELETE CASCADE,
    player_id INTEGER NOT NULL REFERENCES player (id) ON DELETE CASCADE,
    marks     TEXT NOT NULL DEFAULT '',
    note      TEXT NOT NULL DEFAULT '',
    version   INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE UNIQUE INDEX test_mark_one ON test_mark (test_id, player_id);

-- What the school weighs more or less in its tests.
CREATE TABLE test_weight (
    name   TEXT PRIMARY KEY,
    weight INTEGER NOT NULL
) STRICT;
