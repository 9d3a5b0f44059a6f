-- Measurements and acts between the stages, which finish none; the sound of taps; the air of the workshop; the stock of
-- grounds. SQLite cannot change a CHECK, so the log is made anew as it was, with one kind more. Times are ISO 8601 in UTC,
-- amounts g or ml as the substance is sold, prices whole parts of the currency a kilogram or a litre.

CREATE TABLE log_entry_new (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  job_id TEXT NOT NULL REFERENCES job (id),
  stage TEXT NOT NULL CHECK (stage IN ('brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover')),
  step INTEGER CHECK (step IS NULL OR step >= 0),
  kind TEXT NOT NULL CHECK (kind IN ('record', 'withdrawal', 'rehearsal', 'reading')),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  note TEXT NOT NULL,
  reason TEXT NOT NULL,
  corrects TEXT UNIQUE REFERENCES log_entry_new (id),
  ready_at TEXT,
  plan TEXT CHECK (plan IS NULL OR json_valid(plan)),
  CHECK ((kind = 'withdrawal') = (corrects IS NOT NULL))
) STRICT;

INSERT INTO log_entry_new SELECT * FROM log_entry ORDER BY rowid;

CREATE TABLE reading_new (
  entry_id TEXT NOT NULL REFERENCES log_entry_new (id),
  position INTEGER NOT NULL CHECK (position >= 0),
  quantity TEXT NOT NULL CHECK (length(quantity) BETWEEN 1 AND 80),
  value REAL NOT NULL,
  unit TEXT NOT NULL,
  precision REAL CHECK (precision IS NULL OR precision >= 0),
  tool TEXT NOT NULL,
  PRIMARY KEY (entry_id, position)
) STRICT;

INSERT INTO reading_new SELECT * FROM reading ORDER BY rowid;

DROP TABLE reading;
DROP TABLE log_entry;
ALTER TABLE log_entry_new RENAME TO log_entry;
ALTER TABLE reading_new RENAME TO reading;

CREATE INDEX log_entry_by_job ON log_entry (job_id, at);
CREATE INDEX log_entry_by_time ON log_entry (at);
CREATE INDEX reading_by_quantity ON reading (quantity);

CREATE TRIGGER log_entry_is_kept BEFORE DELETE ON log_entry
BEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END;
CREATE TRIGGER log_entry_stands BEFORE UPDATE ON log_entry
BEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END;
CREATE TRIGGER reading_is_kept BEFORE DELETE ON reading
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
CREATE TRIGGER reading_stands BEFORE UPDATE ON reading
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;

CREATE TABLE recording (
  entry_id TEXT NOT NULL REFERENCES log_entry (id),
  place TEXT NOT NULL CHECK (place IN ('C', 'X', 'Y')),
  wav BLOB NOT NULL CHECK (length(wav) BETWEEN 44 AND 2000000),
  PRIMARY KEY (entry_id, place)
) STRICT;

CREATE TRIGGER recording_is_kept BEFORE DELETE ON recording
BEGIN SELECT RAISE(ABORT, 'recordings are append-only'); END;
CREATE TRIGGER recording_stands BEFORE UPDATE ON recording
BEGIN SELECT RAISE(ABORT, 'recordings are append-only'); END;

CREATE TABLE air_reading (
  at TEXT PRIMARY KEY,
  celsius REAL NOT NULL CHECK (celsius BETWEEN -30 AND 60),
  rh REAL NOT NULL CHECK (rh BETWEEN 0 AND 100),
  source TEXT NOT NULL CHECK (length(source) BETWEEN 1 AND 80)
) STRICT, WITHOUT ROWID;

CREATE TABLE ground_stock (
  substance TEXT PRIMARY KEY CHECK (length(substance) BETWEEN 1 AND 64),
  amount REAL NOT NULL CHECK (amount >= 0),
  price_minor INTEGER NOT NULL CHECK (price_minor >= 0),
  revision INTEGER NOT NULL CHECK (revision >= 1)
) STRICT;

CREATE TABLE ground_move (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  -- Ids of the jobs that were coated, as a JSON list; amounts before and after, as JSON.
  jobs TEXT NOT NULL CHECK (json_valid(jobs)),
  changes TEXT NOT NULL CHECK (json_valid(changes))
) STRICT;

CREATE INDEX ground_move_by_time ON ground_move (at);

CREATE TRIGGER ground_move_is_kept BEFORE DELETE ON ground_move
BEGIN SELECT RAISE(ABORT, 'moves of grounds are append-only'); END;
CREATE TRIGGER ground_move_stands BEFORE UPDATE ON ground_move
BEGIN SELECT RAISE(ABORT, 'moves of grounds are append-only'); END;
