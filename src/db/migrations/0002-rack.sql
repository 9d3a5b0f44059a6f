-- The rack: bars, timber and braces that lie in the workshop, and every change of it, append-only.
-- Lengths are mm, counts are single pieces.

CREATE TABLE rack_bar (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  profile TEXT NOT NULL CHECK (length(profile) BETWEEN 1 AND 64),
  kind TEXT NOT NULL CHECK (kind IN ('pairs', 'timber', 'brace')),
  family TEXT NOT NULL CHECK (length(family) BETWEEN 1 AND 60),
  length_mm REAL NOT NULL CHECK (length_mm > 0 AND length_mm <= 12000),
  count INTEGER NOT NULL CHECK (count >= 0),
  mark TEXT NOT NULL CHECK (length(mark) <= 120)
) STRICT;

CREATE INDEX rack_bar_by_profile ON rack_bar (profile, kind, length_mm);

CREATE TABLE rack_move (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  -- Ids of the jobs whose frames were sawn or picked, as a JSON list; rows before and after, as JSON.
  jobs TEXT NOT NULL CHECK (json_valid(jobs)),
  changes TEXT NOT NULL CHECK (json_valid(changes))
) STRICT;

CREATE INDEX rack_move_by_time ON rack_move (at);

CREATE TRIGGER rack_move_is_kept BEFORE DELETE ON rack_move
BEGIN SELECT RAISE(ABORT, 'moves of the rack are append-only'); END;
CREATE TRIGGER rack_move_stands BEFORE UPDATE ON rack_move
BEGIN SELECT RAISE(ABORT, 'moves of the rack are append-only'); END;
