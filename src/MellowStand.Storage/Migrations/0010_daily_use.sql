-- What the director said of a finding before players read it: dismissed, held (kept from players) or sent, with words of their own.
ALTER TABLE quiet_finding ADD COLUMN state TEXT NOT NULL DEFAULT 'dismissed';
ALTER TABLE quiet_finding ADD COLUMN words TEXT;

-- Who plays a part, said by hand: numbers of players with spaces between. A part without a row is seated by chairs.
CREATE TABLE part_players (
    piece_id INTEGER NOT NULL REFERENCES piece (id) ON DELETE CASCADE,
    edition  TEXT NOT NULL,
    part     TEXT NOT NULL,
    name     TEXT NOT NULL DEFAULT '',
    players  TEXT NOT NULL
) STRICT;
CREATE UNIQUE INDEX part_players_one ON part_players (piece_id, edition, part);
CREATE TRIGGER part_players_added AFTER INSERT ON part_players
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = NEW.piece_id; END;
CREATE TRIGGER part_players_removed AFTER DELETE ON part_players
BEGIN UPDATE piece SET revision = revision + 1 WHERE id = OLD.piece_id; END;

ALTER TABLE passage ADD COLUMN version INTEGER NOT NULL DEFAULT 0;

-- Which school this is: a page that is open while another school's data come under it knows that what it remembers is not of this one.
CREATE TABLE school_mark (
    id   INTEGER PRIMARY KEY CHECK (id = 1),
    mark TEXT NOT NULL
) STRICT;
INSERT INTO school_mark (id, mark) VALUES (1, lower(hex(randomblob(8))));
