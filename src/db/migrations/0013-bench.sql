-- At the bench: where somebody stands in the steps of a job, notes between them, and photographs that belong to a note.

INSERT INTO log_kind VALUES ('note');

CREATE TABLE bench_place (
  job_id TEXT PRIMARY KEY REFERENCES job (id) ON DELETE CASCADE,
  stage TEXT NOT NULL CHECK (length(stage) BETWEEN 1 AND 40),
  step TEXT NOT NULL CHECK (length(step) BETWEEN 1 AND 80),
  -- Quarter turns to the right that the frame lies in.
  quarter INTEGER NOT NULL CHECK (quarter BETWEEN 0 AND 3),
  -- The fastener before which the stapler was filled last.
  filled_at INTEGER NOT NULL CHECK (filled_at >= 1)
) STRICT, WITHOUT ROWID;

CREATE TABLE photograph (
  entry_id TEXT PRIMARY KEY REFERENCES log_entry (id),
  jpeg BLOB NOT NULL CHECK (length(jpeg) BETWEEN 100 AND 2000000)
) STRICT;

CREATE TRIGGER photograph_is_kept BEFORE DELETE ON photograph
BEGIN SELECT RAISE(ABORT, 'photographs are append-only'); END;
CREATE TRIGGER photograph_stands BEFORE UPDATE ON photograph
BEGIN SELECT RAISE(ABORT, 'photographs are append-only'); END;
