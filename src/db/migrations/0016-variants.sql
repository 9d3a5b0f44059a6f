-- Variants of a job: what is otherwise in each, kept beside the job until one is taken.

CREATE TABLE job_variant (
  id TEXT PRIMARY KEY,
  job_id TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  -- Fields that are otherwise, and what they are.
  changes TEXT NOT NULL CHECK (json_valid(changes)),
  made_at TEXT NOT NULL,
  revision INTEGER NOT NULL CHECK (revision >= 1)
) STRICT;

CREATE INDEX job_variant_of ON job_variant (job_id);
