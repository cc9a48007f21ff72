-- Ways to practice at each tempo step of a passage, where a director changed what the house would say: a line a step, names of recipes with
-- spaces between. Empty where it is the house's again; the row stays, so that its version goes on.
CREATE TABLE passage_practice (
    passage_id INTEGER PRIMARY KEY REFERENCES passage (id) ON DELETE CASCADE,
    steps      TEXT NOT NULL DEFAULT '',
    version    INTEGER NOT NULL DEFAULT 0
) STRICT;
