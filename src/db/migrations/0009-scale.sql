-- For ten thousand jobs. Frozen plans are packed against a dictionary of this file; readings hang on the number of their entry;
-- what each job stands at is kept beside it, so that no list plans every job anew; the log can be searched by its words; which
-- jobs were sawn and cut is a row and not a search through JSON. The functions used here are registered by openDatabase.

CREATE TABLE pack_dictionary (id INTEGER PRIMARY KEY CHECK (id = 1), words BLOB NOT NULL) STRICT;
INSERT INTO pack_dictionary VALUES (1, first_dictionary());

CREATE TABLE log_entry_new (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE CHECK (length(id) BETWEEN 1 AND 64),
  job_id TEXT NOT NULL REFERENCES job (id),
  stage TEXT NOT NULL REFERENCES stage (id),
  step INTEGER CHECK (step IS NULL OR step >= 0),
  kind TEXT NOT NULL REFERENCES log_kind (id),
  of_id TEXT NOT NULL CHECK (length(of_id) <= 80),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  note TEXT NOT NULL,
  reason TEXT NOT NULL,
  corrects TEXT REFERENCES log_entry_new (id),
  ready_at TEXT,
  -- JSON, deflated against the dictionary.
  plan BLOB CHECK (plan IS NULL OR length(plan) > 0),
  written INTEGER NOT NULL CHECK (written >= 1),
  taken_in INTEGER NOT NULL CHECK (taken_in IN (0, 1)),
  CHECK ((kind = 'withdrawal') = (corrects IS NOT NULL))
) STRICT;

INSERT INTO log_entry_new
SELECT seq, id, job_id, stage, step, kind, of_id, at, maker, did, note, reason, corrects, ready_at,
  CASE WHEN plan IS NULL THEN NULL ELSE packed_text(plan, (SELECT words FROM pack_dictionary)) END, written, taken_in
FROM log_entry ORDER BY seq;

CREATE TABLE reading_new (
  seq INTEGER NOT NULL REFERENCES log_entry_new (seq),
  position INTEGER NOT NULL CHECK (position >= 0),
  quantity TEXT NOT NULL CHECK (length(quantity) BETWEEN 1 AND 80),
  of_id TEXT NOT NULL CHECK (length(of_id) <= 80),
  value REAL NOT NULL,
  unit TEXT NOT NULL,
  precision REAL CHECK (precision IS NULL OR precision >= 0),
  tool TEXT NOT NULL,
  known TEXT NOT NULL CHECK (length(known) BETWEEN 1 AND 40),
  PRIMARY KEY (seq, position)
) STRICT, WITHOUT ROWID;

INSERT INTO reading_new
SELECT e.seq, r.position, r.quantity, r.of_id, r.value, r.unit, r.precision, r.tool, r.known
FROM reading r JOIN log_entry e ON e.id = r.entry_id ORDER BY e.seq, r.position;

CREATE TABLE recording_new (
  entry_id TEXT NOT NULL REFERENCES log_entry_new (id),
  place TEXT NOT NULL CHECK (length(place) BETWEEN 1 AND 40),
  wav BLOB NOT NULL CHECK (length(wav) BETWEEN 44 AND 2000000),
  PRIMARY KEY (entry_id, place)
) STRICT;

INSERT INTO recording_new SELECT entry_id, place, wav FROM recording ORDER BY rowid;

DROP TABLE recording;
DROP TABLE reading;
DROP TABLE log_entry;
ALTER TABLE log_entry_new RENAME TO log_entry;
ALTER TABLE reading_new RENAME TO reading;
ALTER TABLE recording_new RENAME TO recording;

-- By job, and by number within it: the number is the row itself.
CREATE INDEX log_entry_by_job ON log_entry (job_id);
CREATE UNIQUE INDEX log_entry_corrects ON log_entry (corrects) WHERE corrects IS NOT NULL;
CREATE INDEX reading_by_quantity ON reading (quantity, of_id, seq);

CREATE TRIGGER log_entry_is_kept BEFORE DELETE ON log_entry
BEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END;
CREATE TRIGGER log_entry_stands BEFORE UPDATE ON log_entry
BEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END;
CREATE TRIGGER reading_is_kept BEFORE DELETE ON reading
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
CREATE TRIGGER reading_stands BEFORE UPDATE ON reading
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
CREATE TRIGGER recording_is_kept BEFORE DELETE ON recording
BEGIN SELECT RAISE(ABORT, 'recordings are append-only'); END;
CREATE TRIGGER recording_stands BEFORE UPDATE ON recording
BEGIN SELECT RAISE(ABORT, 'recordings are append-only'); END;

-- What an entry is found by; the words themselves lie in the log alone. The row is the number of the entry.
CREATE VIRTUAL TABLE log_words USING fts5(words, content='', contentless_delete=1, detail='none', tokenize="unicode61 remove_diacritics 2");

INSERT INTO log_words (rowid, words)
SELECT e.seq, entry_words(e.stage, e.maker, e.did, e.note, e.reason, j.number, j.title,
  (SELECT json_group_array(json_object('quantity', r.quantity, 'of', r.of_id, 'value', r.value, 'unit', r.unit, 'tool', r.tool))
   FROM reading r WHERE r.seq = e.seq))
FROM log_entry e JOIN job j ON j.id = e.job_id ORDER BY e.seq;

-- What a job stands at, worked out from its inputs and log under the rules and lessons of the house: it can be thrown away and
-- worked out again at any time. `worked_under` names rules and lessons; empty where neither matters any more.
CREATE TABLE job_state (
  job_id TEXT PRIMARY KEY REFERENCES job (id),
  worked_under TEXT NOT NULL,
  -- The next stage; none when the job is finished.
  stage TEXT REFERENCES stage (id),
  -- Why the job cannot be read; none where it can.
  broken TEXT,
  stopped INTEGER NOT NULL CHECK (stopped IN (0, 1)),
  minutes REAL NOT NULL,
  waits_until_ms REAL,
  clock_ready_ms REAL,
  start_by_ms REAL,
  due_on TEXT,
  number INTEGER NOT NULL,
  facts TEXT NOT NULL CHECK (json_valid(facts))
) STRICT, WITHOUT ROWID;

CREATE INDEX job_state_open ON job_state (stage, due_on, number) WHERE stage IS NOT NULL;
CREATE INDEX job_state_finished ON job_state (number) WHERE stage IS NULL AND broken IS NULL;
CREATE INDEX job_state_broken ON job_state (number) WHERE broken IS NOT NULL;
CREATE INDEX job_state_clock ON job_state (clock_ready_ms) WHERE clock_ready_ms IS NOT NULL;
CREATE INDEX job_state_under ON job_state (worked_under) WHERE stage IS NOT NULL;

-- Jobs whose state must be worked out again.
CREATE TABLE job_unsettled (job_id TEXT PRIMARY KEY REFERENCES job (id)) STRICT, WITHOUT ROWID;
INSERT INTO job_unsettled SELECT id FROM job;

CREATE TRIGGER job_begun AFTER INSERT ON job
BEGIN INSERT OR IGNORE INTO job_unsettled VALUES (NEW.id); END;
CREATE TRIGGER job_changed AFTER UPDATE OF inputs, aside ON job
BEGIN INSERT OR IGNORE INTO job_unsettled VALUES (NEW.id); END;
CREATE TRIGGER job_logged AFTER INSERT ON log_entry
BEGIN INSERT OR IGNORE INTO job_unsettled VALUES (NEW.job_id); END;

-- Jobs whose frames were sawn or picked, and whose cloth was cut.
CREATE TABLE sawn_job (job_id TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
INSERT OR IGNORE INTO sawn_job SELECT each.value FROM rack_move, json_each(rack_move.jobs) AS each;
CREATE TRIGGER rack_move_saws AFTER INSERT ON rack_move
BEGIN INSERT OR IGNORE INTO sawn_job SELECT value FROM json_each(NEW.jobs); END;

CREATE TABLE cloth_cut (
  job_id TEXT NOT NULL,
  move INTEGER NOT NULL,
  at TEXT NOT NULL,
  cut TEXT NOT NULL CHECK (json_valid(cut)),
  PRIMARY KEY (job_id, move)
) STRICT, WITHOUT ROWID;
INSERT OR REPLACE INTO cloth_cut
SELECT json_extract(each.value, '$.job'), cloth_move.rowid, cloth_move.at, each.value
FROM cloth_move, json_each(cloth_move.cuts) AS each;
CREATE TRIGGER cloth_move_cuts AFTER INSERT ON cloth_move
BEGIN
  INSERT OR REPLACE INTO cloth_cut SELECT json_extract(value, '$.job'), NEW.rowid, NEW.at, value FROM json_each(NEW.cuts);
END;

-- Titles are looked through without the inputs beside them.
CREATE INDEX job_by_title ON job (title, number);
