-- The log also keeps rehearsals: scores on the simulated cloth, which finish no stage. SQLite cannot change a CHECK, so
-- both tables are made anew, filled and put in the place of the old ones; what stood in them stays as it was.

CREATE TABLE log_entry_new (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  job_id TEXT NOT NULL REFERENCES job (id),
  stage TEXT NOT NULL CHECK (stage IN ('brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover')),
  step INTEGER CHECK (step IS NULL OR step >= 0),
  kind TEXT NOT NULL CHECK (kind IN ('record', 'withdrawal', 'rehearsal')),
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
