-- What a player's instrument has: option ids with spaces between; null where nothing is said.
ALTER TABLE player ADD COLUMN options TEXT;

-- A teacher's corrections of the fingering charts.
CREATE TABLE chart_correction (
    instrument TEXT NOT NULL,
    written    INTEGER NOT NULL,
    code       TEXT NOT NULL,
    standing   TEXT NOT NULL CHECK (standing IN ('usual', 'alternate', 'avoid', 'never')),
    keys       TEXT NOT NULL,
    remark     TEXT NOT NULL,
    by         TEXT NOT NULL,
    made       TEXT NOT NULL,
    PRIMARY KEY (instrument, written, code)
) STRICT;
