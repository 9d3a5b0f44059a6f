-- Sets: canvases that are planned once and made stage by stage together; each is a job with its own number, readings and log.
-- A job that was begun and is done with can be archived: it is out of every list but the log and the search.

CREATE TABLE job_set (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  title TEXT NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  kind TEXT NOT NULL CHECK (length(kind) BETWEEN 1 AND 40),
  -- How its canvases stand to one another.
  layout TEXT NOT NULL CHECK (json_valid(layout)),
  -- What each of its canvases is planned by where it does not depart.
  inputs TEXT NOT NULL CHECK (json_valid(inputs)),
  written INTEGER NOT NULL CHECK (written >= 1),
  revision INTEGER NOT NULL CHECK (revision >= 1),
  created_at TEXT NOT NULL
) STRICT;

ALTER TABLE job ADD COLUMN set_id TEXT REFERENCES job_set (id);
ALTER TABLE job ADD COLUMN set_place INTEGER CHECK (set_place IS NULL OR set_place >= 0);
ALTER TABLE job ADD COLUMN archived INTEGER NOT NULL DEFAULT 0 CHECK (archived IN (0, 1));
CREATE INDEX job_by_set ON job (set_id, set_place) WHERE set_id IS NOT NULL;
CREATE INDEX job_archived ON job (number) WHERE archived = 1;

ALTER TABLE job_state ADD COLUMN set_id TEXT;
CREATE INDEX job_state_set ON job_state (set_id) WHERE set_id IS NOT NULL;

CREATE TRIGGER job_filed AFTER UPDATE OF set_id, archived ON job
BEGIN INSERT OR IGNORE INTO job_unsettled VALUES (NEW.id); END;
