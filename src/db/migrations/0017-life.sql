-- The life of a canvas after it was handed over: what happened to it, where it hangs and who has it.

INSERT INTO log_kind VALUES ('event'), ('hung'), ('brought');
ALTER TABLE log_entry ADD COLUMN hangs TEXT CHECK (hangs IS NULL OR json_valid(hangs));

-- A canvas that was made elsewhere is known by its id there.
CREATE INDEX log_entry_brought ON log_entry (of_id) WHERE kind = 'brought';

-- For the list of canvases that went out: none of it while a canvas is still made.
ALTER TABLE job_state ADD COLUMN handed_at TEXT;
ALTER TABLE job_state ADD COLUMN looked_at TEXT;
ALTER TABLE job_state ADD COLUMN most_rh REAL;
ALTER TABLE job_state ADD COLUMN words TEXT;
CREATE INDEX job_state_handed ON job_state (handed_at) WHERE handed_at IS NOT NULL;
CREATE INDEX rolled_work_stretched ON rolled_work (stretched_as) WHERE stretched_as IS NOT NULL;
