-- Counters that tell a kept answer from a stale one, whoever writes: one for each kind of thing that answers rest on (Kept/Counters.cs).
CREATE TABLE desk_revision (
    id        INTEGER PRIMARY KEY CHECK (id = 1),
    shelf     INTEGER NOT NULL DEFAULT 0,
    people    INTEGER NOT NULL DEFAULT 0,
    passages  INTEGER NOT NULL DEFAULT 0,
    plans     INTEGER NOT NULL DEFAULT 0,
    hearing   INTEGER NOT NULL DEFAULT 0,
    auditions INTEGER NOT NULL DEFAULT 0
) STRICT;
INSERT INTO desk_revision (id) VALUES (1);

CREATE TRIGGER section_counts_insert AFTER INSERT ON section BEGIN UPDATE desk_revision SET people = people + 1; END;
CREATE TRIGGER section_counts_update AFTER UPDATE ON section BEGIN UPDATE desk_revision SET people = people + 1; END;
CREATE TRIGGER section_counts_delete AFTER DELETE ON section BEGIN UPDATE desk_revision SET people = people + 1; END;
CREATE TRIGGER player_counts_insert AFTER INSERT ON player BEGIN UPDATE desk_revision SET people = people + 1; END;
CREATE TRIGGER player_counts_update AFTER UPDATE ON player BEGIN UPDATE desk_revision SET people = people + 1; END;
CREATE TRIGGER player_counts_delete AFTER DELETE ON player BEGIN UPDATE desk_revision SET people = people + 1; END;
CREATE TRIGGER passage_counts_insert AFTER INSERT ON passage BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_counts_update AFTER UPDATE ON passage BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_counts_delete AFTER DELETE ON passage BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_step_counts_insert AFTER INSERT ON passage_step BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_step_counts_update AFTER UPDATE ON passage_step BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_step_counts_delete AFTER DELETE ON passage_step BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_section_counts_insert AFTER INSERT ON passage_section BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_section_counts_update AFTER UPDATE ON passage_section BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_section_counts_delete AFTER DELETE ON passage_section BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_player_counts_insert AFTER INSERT ON passage_player BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_player_counts_update AFTER UPDATE ON passage_player BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_player_counts_delete AFTER DELETE ON passage_player BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_practice_counts_insert AFTER INSERT ON passage_practice BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_practice_counts_update AFTER UPDATE ON passage_practice BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER passage_practice_counts_delete AFTER DELETE ON passage_practice BEGIN UPDATE desk_revision SET passages = passages + 1; END;
CREATE TRIGGER practice_calendar_counts_insert AFTER INSERT ON practice_calendar BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER practice_calendar_counts_update AFTER UPDATE ON practice_calendar BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER practice_calendar_counts_delete AFTER DELETE ON practice_calendar BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER calendar_entry_counts_insert AFTER INSERT ON calendar_entry BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER calendar_entry_counts_update AFTER UPDATE ON calendar_entry BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER calendar_entry_counts_delete AFTER DELETE ON calendar_entry BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER practice_minutes_counts_insert AFTER INSERT ON practice_minutes BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER practice_minutes_counts_update AFTER UPDATE ON practice_minutes BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER practice_minutes_counts_delete AFTER DELETE ON practice_minutes BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_plan_counts_insert AFTER INSERT ON season_plan BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_plan_counts_update AFTER UPDATE ON season_plan BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_plan_counts_delete AFTER DELETE ON season_plan BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_item_counts_insert AFTER INSERT ON season_item BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_item_counts_update AFTER UPDATE ON season_item BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_item_counts_delete AFTER DELETE ON season_item BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_session_counts_insert AFTER INSERT ON season_session BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_session_counts_update AFTER UPDATE ON season_session BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER season_session_counts_delete AFTER DELETE ON season_session BEGIN UPDATE desk_revision SET plans = plans + 1; END;
CREATE TRIGGER log_entry_counts_insert AFTER INSERT ON log_entry BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER log_entry_counts_update AFTER UPDATE ON log_entry BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER log_entry_counts_delete AFTER DELETE ON log_entry BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER shared_remark_counts_insert AFTER INSERT ON shared_remark BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER shared_remark_counts_update AFTER UPDATE ON shared_remark BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER shared_remark_counts_delete AFTER DELETE ON shared_remark BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER playing_test_counts_insert AFTER INSERT ON playing_test BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER playing_test_counts_update AFTER UPDATE ON playing_test BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER playing_test_counts_delete AFTER DELETE ON playing_test BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER test_mark_counts_insert AFTER INSERT ON test_mark BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER test_mark_counts_update AFTER UPDATE ON test_mark BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER test_mark_counts_delete AFTER DELETE ON test_mark BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER test_weight_counts_insert AFTER INSERT ON test_weight BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER test_weight_counts_update AFTER UPDATE ON test_weight BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER test_weight_counts_delete AFTER DELETE ON test_weight BEGIN UPDATE desk_revision SET hearing = hearing + 1; END;
CREATE TRIGGER audition_set_counts_insert AFTER INSERT ON audition_set BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_set_counts_update AFTER UPDATE ON audition_set BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_set_counts_delete AFTER DELETE ON audition_set BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_round_counts_insert AFTER INSERT ON audition_round BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_round_counts_update AFTER UPDATE ON audition_round BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_round_counts_delete AFTER DELETE ON audition_round BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_entry_counts_insert AFTER INSERT ON audition_entry BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_entry_counts_update AFTER UPDATE ON audition_entry BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_entry_counts_delete AFTER DELETE ON audition_entry BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_asked_counts_insert AFTER INSERT ON audition_asked BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_asked_counts_update AFTER UPDATE ON audition_asked BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_asked_counts_delete AFTER DELETE ON audition_asked BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_candidate_counts_insert AFTER INSERT ON audition_candidate
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_candidate_counts_update AFTER UPDATE ON audition_candidate
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_candidate_counts_delete AFTER DELETE ON audition_candidate
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_answer_counts_insert AFTER INSERT ON audition_answer BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_answer_counts_update AFTER UPDATE ON audition_answer BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_answer_counts_delete AFTER DELETE ON audition_answer BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_decision_counts_insert AFTER INSERT ON audition_decision
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_decision_counts_update AFTER UPDATE ON audition_decision
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_decision_counts_delete AFTER DELETE ON audition_decision
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_passage_counts_insert AFTER INSERT ON audition_passage
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_passage_counts_update AFTER UPDATE ON audition_passage
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER audition_passage_counts_delete AFTER DELETE ON audition_passage
BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_audition_counts_insert AFTER INSERT ON mock_audition BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_audition_counts_update AFTER UPDATE ON mock_audition BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_audition_counts_delete AFTER DELETE ON mock_audition BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_seat_counts_insert AFTER INSERT ON mock_seat BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_seat_counts_update AFTER UPDATE ON mock_seat BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_seat_counts_delete AFTER DELETE ON mock_seat BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_mark_counts_insert AFTER INSERT ON mock_mark BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_mark_counts_update AFTER UPDATE ON mock_mark BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER mock_mark_counts_delete AFTER DELETE ON mock_mark BEGIN UPDATE desk_revision SET auditions = auditions + 1; END;
CREATE TRIGGER piece_counts_insert AFTER INSERT ON piece BEGIN UPDATE desk_revision SET shelf = shelf + 1; END;
CREATE TRIGGER piece_counts_update AFTER UPDATE ON piece BEGIN UPDATE desk_revision SET shelf = shelf + 1; END;
CREATE TRIGGER piece_counts_delete AFTER DELETE ON piece BEGIN UPDATE desk_revision SET shelf = shelf + 1; END;

-- What is asked for by more than its own number.
CREATE INDEX log_entry_heard ON log_entry (heard);
CREATE INDEX log_entry_pair ON log_entry (passage_id, player_id);
CREATE INDEX passage_section_section ON passage_section (section_id);
CREATE INDEX passage_player_player ON passage_player (player_id);
CREATE INDEX test_mark_player ON test_mark (player_id);
CREATE INDEX calendar_entry_first ON calendar_entry (first);
CREATE INDEX season_plan_state ON season_plan (state, id);
CREATE INDEX audition_passage_passage ON audition_passage (passage_id);
CREATE INDEX audition_passage_round ON audition_passage (round_id);
CREATE INDEX audition_asked_round ON audition_asked (round_id);
CREATE INDEX audition_answer_set ON audition_answer (set_id);
CREATE INDEX audition_decision_decision ON audition_decision (decision_id);
CREATE INDEX audition_candidate_player ON audition_candidate (player_id);
CREATE INDEX mock_seat_candidate ON mock_seat (candidate_id);
CREATE INDEX decision_act ON decision (act);

-- A moment of time is no key: what left together, and comes back together, names what it left with.
ALTER TABLE decision ADD COLUMN left_with INTEGER REFERENCES edition (id);
UPDATE decision SET left_with = (SELECT MAX(e.id) FROM edition e WHERE e.piece_id = decision.piece_id AND e.replaced = decision.undone)
    WHERE undone IS NOT NULL AND set_aside IS NULL;
CREATE INDEX decision_left_with ON decision (left_with);
ALTER TABLE piece ADD COLUMN left_with INTEGER REFERENCES audition_set (id);
UPDATE piece SET left_with = (
    SELECT MAX(s.id) FROM audition_set s JOIN audition_entry e ON e.set_id = s.id WHERE e.piece_id = piece.id AND s.deleted = piece.deleted
) WHERE deleted IS NOT NULL;
CREATE INDEX piece_left_with ON piece (left_with);
