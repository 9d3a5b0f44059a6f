-- The workshop, its jobs, and the log of what was done and measured.
-- Lengths are mm, times ISO 8601 in UTC. The log is append-only: triggers refuse changes.

CREATE TABLE workshop (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  rules TEXT NOT NULL CHECK (json_valid(rules)),
  revision INTEGER NOT NULL CHECK (revision >= 1)
) STRICT;

CREATE TABLE job (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  number INTEGER NOT NULL UNIQUE CHECK (number >= 1),
  title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  face_width_mm REAL NOT NULL CHECK (face_width_mm > 0),
  face_height_mm REAL NOT NULL CHECK (face_height_mm > 0),
  due_on TEXT CHECK (due_on IS NULL OR due_on GLOB '????-??-??'),
  inputs TEXT NOT NULL CHECK (json_valid(inputs)),
  revision INTEGER NOT NULL CHECK (revision >= 1),
  created_at TEXT NOT NULL,
  updated_at TEXT NOT NULL
) STRICT;

CREATE TABLE log_entry (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  job_id TEXT NOT NULL REFERENCES job (id),
  stage TEXT NOT NULL CHECK (stage IN ('brief', 'bars', 'square', 'cloth', 'fasten', 'tune', 'prime', 'handover')),
  step INTEGER CHECK (step IS NULL OR step >= 0),
  kind TEXT NOT NULL CHECK (kind IN ('record', 'withdrawal')),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  note TEXT NOT NULL,
  reason TEXT NOT NULL,
  corrects TEXT UNIQUE REFERENCES log_entry (id),
  ready_at TEXT,
  plan TEXT CHECK (plan IS NULL OR json_valid(plan)),
  CHECK ((kind = 'withdrawal') = (corrects IS NOT NULL))
) STRICT;

CREATE INDEX log_entry_by_job ON log_entry (job_id, at);
CREATE INDEX log_entry_by_time ON log_entry (at);

CREATE TABLE reading (
  entry_id TEXT NOT NULL REFERENCES log_entry (id),
  position INTEGER NOT NULL CHECK (position >= 0),
  quantity TEXT NOT NULL CHECK (length(quantity) BETWEEN 1 AND 80),
  value REAL NOT NULL,
  unit TEXT NOT NULL,
  precision REAL CHECK (precision IS NULL OR precision >= 0),
  tool TEXT NOT NULL,
  PRIMARY KEY (entry_id, position)
) STRICT;

CREATE INDEX reading_by_quantity ON reading (quantity);

CREATE TRIGGER log_entry_is_kept BEFORE DELETE ON log_entry
BEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END;
CREATE TRIGGER log_entry_stands BEFORE UPDATE ON log_entry
BEGIN SELECT RAISE(ABORT, 'the log is append-only: take a record back with a new entry'); END;
CREATE TRIGGER reading_is_kept BEFORE DELETE ON reading
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
CREATE TRIGGER reading_stands BEFORE UPDATE ON reading
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
