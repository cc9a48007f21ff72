-- Everything that lives at an address names its edition and can be read alone. What is null here is filled in at the
-- next start, once for each piece.
ALTER TABLE piece ADD COLUMN edition TEXT;
ALTER TABLE piece ADD COLUMN revision INTEGER NOT NULL DEFAULT 0;
ALTER TABLE piece ADD COLUMN quiet INTEGER NOT NULL DEFAULT 0;
ALTER TABLE edition ADD COLUMN hash TEXT;

ALTER TABLE passage ADD COLUMN edition TEXT;
ALTER TABLE passage ADD COLUMN from_label TEXT NOT NULL DEFAULT '';
ALTER TABLE passage ADD COLUMN to_label TEXT NOT NULL DEFAULT '';
CREATE INDEX log_entry_player ON log_entry (player_id);

-- Decisions made together are one act with one undo. One that a new edition could not take is set aside with the
-- reason, and keeps its edition.
ALTER TABLE decision ADD COLUMN act INTEGER;
ALTER TABLE decision ADD COLUMN edition TEXT;
ALTER TABLE decision ADD COLUMN set_aside TEXT;
UPDATE decision SET act = id;
DROP INDEX decision_in_force;
CREATE UNIQUE INDEX decision_in_force ON decision (piece_id, difference)
    WHERE undone IS NULL AND set_aside IS NULL AND difference IS NOT NULL;

-- Instruments chosen for a part, with the part's name so that the row can be told without the score.
CREATE TABLE part_instrument (
    piece_id   INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    edition    TEXT,
    part       TEXT NOT NULL,
    name       TEXT NOT NULL DEFAULT '',
    instrument TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX part_instrument_one ON part_instrument (piece_id, edition, part);
INSERT INTO part_instrument (piece_id, part, instrument) SELECT piece_id, part, instrument FROM part_choice WHERE instrument IS NOT NULL;
DROP TABLE part_choice;

CREATE TABLE leader (
    piece_id INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    edition  TEXT,
    parts    TEXT NOT NULL,
    leader   TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX leader_one ON leader (piece_id, edition, parts);
INSERT INTO leader (piece_id, parts, leader) SELECT piece_id, parts, leader FROM line_leader;
DROP TABLE line_leader;

-- A dismissed finding by what it is about; rule is null for one of an earlier version, which is known by its former id only.
CREATE TABLE quiet_finding (
    piece_id   INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    edition    TEXT,
    finding    TEXT NOT NULL,
    title      TEXT NOT NULL,
    made       TEXT NOT NULL,
    rule       TEXT,
    parts      TEXT NOT NULL DEFAULT '',
    from_index INTEGER NOT NULL DEFAULT 0,
    from_label TEXT NOT NULL DEFAULT '',
    to_index   INTEGER NOT NULL DEFAULT 0,
    to_label   TEXT NOT NULL DEFAULT '',
    notes      TEXT NOT NULL DEFAULT '',
    turn       INTEGER NOT NULL DEFAULT 0
) STRICT;
CREATE UNIQUE INDEX quiet_finding_one ON quiet_finding (piece_id, edition, finding);
INSERT INTO quiet_finding (piece_id, finding, title, made) SELECT piece_id, finding, title, made FROM dismissal;
DROP TABLE dismissal;

-- A player who left, and a section that was closed, keep their history.
ALTER TABLE player ADD COLUMN left_on TEXT;
ALTER TABLE section ADD COLUMN closed_on TEXT;

-- Counters that tell a kept answer from a stale one, whoever writes: n for what answers rest on, quiet for what is only not shown.
CREATE TABLE school_revision (
    id    INTEGER PRIMARY KEY CHECK (id = 1),
    n     INTEGER NOT NULL,
    quiet INTEGER NOT NULL
) STRICT;
INSERT INTO school_revision (id, n, quiet) VALUES (1, 0, 0);

CREATE TRIGGER player_added AFTER INSERT ON player BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER player_changed AFTER UPDATE ON player BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER player_removed AFTER DELETE ON player BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER house_rule_added AFTER INSERT ON house_rule BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER house_rule_changed AFTER UPDATE ON house_rule BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER learned_added AFTER INSERT ON learned_instrument BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER learned_changed AFTER UPDATE ON learned_instrument BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER chart_added AFTER INSERT ON chart_correction BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER chart_changed AFTER UPDATE ON chart_correction BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER chart_removed AFTER DELETE ON chart_correction BEGIN UPDATE school_revision SET n = n + 1; END;
CREATE TRIGGER decision_added AFTER INSERT ON decision
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER decision_changed AFTER UPDATE ON decision
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER instrument_added AFTER INSERT ON part_instrument
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER instrument_changed AFTER UPDATE ON part_instrument
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER instrument_removed AFTER DELETE ON part_instrument
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = OLD.piece_id; END;
CREATE TRIGGER leader_added AFTER INSERT ON leader
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER leader_changed AFTER UPDATE ON leader
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER leader_removed AFTER DELETE ON leader
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = OLD.piece_id; END;
CREATE TRIGGER edition_changed AFTER UPDATE OF edition ON piece
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.id; END;
CREATE TRIGGER quiet_added AFTER INSERT ON quiet_finding
BEGIN UPDATE piece SET quiet = quiet + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER quiet_changed AFTER UPDATE ON quiet_finding
BEGIN UPDATE piece SET quiet = quiet + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER quiet_removed AFTER DELETE ON quiet_finding
BEGIN UPDATE piece SET quiet = quiet + 1 WHERE id = OLD.piece_id; END;
CREATE TRIGGER quiet_rule_added AFTER INSERT ON quiet_rule BEGIN
    UPDATE piece SET quiet = quiet + 1 WHERE id = NEW.piece_id;
    UPDATE school_revision SET quiet = quiet + 1 WHERE NEW.piece_id = 0;
END;
CREATE TRIGGER quiet_rule_removed AFTER DELETE ON quiet_rule BEGIN
    UPDATE piece SET quiet = quiet + 1 WHERE id = OLD.piece_id;
    UPDATE school_revision SET quiet = quiet + 1 WHERE OLD.piece_id = 0;
END;

-- What the shelf tells of a piece, with the counters under which it was counted.
CREATE TABLE shelf_figures (
    piece_id     INTEGER PRIMARY KEY REFERENCES piece (id) ON DELETE CASCADE,
    revision     INTEGER NOT NULL,
    quiet        INTEGER NOT NULL,
    school       INTEGER NOT NULL,
    school_quiet INTEGER NOT NULL,
    parts        INTEGER NOT NULL,
    measures     INTEGER NOT NULL,
    differences  INTEGER NOT NULL,
    open         INTEGER NOT NULL,
    findings     INTEGER NOT NULL
) STRICT;
