-- The week: what a house plans its days by, tasks set by hand, and the plan that stands.

CREATE TABLE house_week (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  settings TEXT NOT NULL CHECK (json_valid(settings)),
  revision INTEGER NOT NULL CHECK (revision >= 1)
) STRICT;

CREATE TABLE task_pin (
  task TEXT PRIMARY KEY CHECK (length(task) BETWEEN 1 AND 120),
  job_id TEXT NOT NULL REFERENCES job (id) ON DELETE CASCADE,
  -- By whom, and from when (ms since 1970); one of them at least.
  maker TEXT CHECK (maker IS NULL OR length(maker) BETWEEN 1 AND 80),
  at_ms INTEGER,
  CHECK (maker IS NOT NULL OR at_ms IS NOT NULL)
) STRICT, WITHOUT ROWID;

CREATE INDEX task_pin_by_job ON task_pin (job_id);

-- What was worked out last, so that what lies near stays where it is; and what it was worked out from.
CREATE TABLE week_plan (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  made_for TEXT NOT NULL CHECK (length(made_for) BETWEEN 1 AND 80),
  made_at_ms INTEGER NOT NULL,
  plan TEXT NOT NULL CHECK (json_valid(plan))
) STRICT;
