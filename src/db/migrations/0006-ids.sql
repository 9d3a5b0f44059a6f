-- Readings and kinds of entry are known by ids, and a reading says how it is known. Stages and kinds are tables, so that a new
-- one is a row. The log has a sequence of its own. What is kept as JSON carries the number of the version that wrote it: rows
-- from before are of version 4 at the latest. The functions used here are registered by openDatabase.

CREATE TABLE stage (id TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
INSERT INTO stage VALUES ('brief'), ('bars'), ('square'), ('cloth'), ('fasten'), ('tune'), ('prime'), ('handover');
CREATE TABLE log_kind (id TEXT PRIMARY KEY) STRICT, WITHOUT ROWID;
INSERT INTO log_kind VALUES ('record'), ('withdrawal'), ('rehearsal'), ('reading'), ('remedy');

CREATE TABLE log_entry_new (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  id TEXT NOT NULL UNIQUE CHECK (length(id) BETWEEN 1 AND 64),
  job_id TEXT NOT NULL REFERENCES job (id),
  stage TEXT NOT NULL REFERENCES stage (id),
  step INTEGER CHECK (step IS NULL OR step >= 0),
  kind TEXT NOT NULL REFERENCES log_kind (id),
  -- What the entry is about, by its id: the remedy of a remedy; empty otherwise.
  of_id TEXT NOT NULL CHECK (length(of_id) <= 80),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  note TEXT NOT NULL,
  reason TEXT NOT NULL,
  corrects TEXT UNIQUE REFERENCES log_entry_new (id),
  ready_at TEXT,
  plan TEXT CHECK (plan IS NULL OR json_valid(plan)),
  written INTEGER NOT NULL CHECK (written >= 1),
  -- Taken in with a job file: what others did teaches this house nothing.
  taken_in INTEGER NOT NULL CHECK (taken_in IN (0, 1)),
  CHECK ((kind = 'withdrawal') = (corrects IS NOT NULL))
) STRICT;

INSERT INTO log_entry_new (id, job_id, stage, step, kind, of_id, at, maker, did, note, reason, corrects, ready_at, plan, written, taken_in)
SELECT id, job_id, stage, step, upgraded_kind(kind, did), upgraded_kind_of(kind, did), at, maker, did, note, reason, corrects, ready_at, plan, 4, 0
FROM log_entry ORDER BY rowid;

CREATE TABLE reading_new (
  entry_id TEXT NOT NULL REFERENCES log_entry_new (id),
  position INTEGER NOT NULL CHECK (position >= 0),
  quantity TEXT NOT NULL CHECK (length(quantity) BETWEEN 1 AND 80),
  of_id TEXT NOT NULL CHECK (length(of_id) <= 80),
  value REAL NOT NULL,
  unit TEXT NOT NULL,
  precision REAL CHECK (precision IS NULL OR precision >= 0),
  tool TEXT NOT NULL,
  known TEXT NOT NULL CHECK (length(known) BETWEEN 1 AND 40),
  PRIMARY KEY (entry_id, position)
) STRICT;

INSERT INTO reading_new
SELECT entry_id, position, upgraded_quantity(quantity), upgraded_of(quantity), value, unit, precision, tool, upgraded_known(tool)
FROM reading ORDER BY rowid;

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

CREATE INDEX log_entry_by_job ON log_entry (job_id, seq);
CREATE INDEX log_entry_by_time ON log_entry (at);
CREATE INDEX reading_by_quantity ON reading (quantity, of_id);

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

-- A job that cannot be read can be put out of the lists.
ALTER TABLE job ADD COLUMN aside INTEGER NOT NULL DEFAULT 0;
ALTER TABLE job ADD COLUMN written INTEGER NOT NULL DEFAULT 4;
ALTER TABLE workshop ADD COLUMN written INTEGER NOT NULL DEFAULT 4;
