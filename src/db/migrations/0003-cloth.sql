-- The store of cloth: rolls and offcuts with their flaws, and every change of it, append-only. Lengths are mm.

CREATE TABLE cloth_sheet (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  -- Counts every change, so that a change made from an older screen is refused.
  revision INTEGER NOT NULL CHECK (revision >= 1),
  kind TEXT NOT NULL CHECK (kind IN ('roll', 'offcut')),
  fabric TEXT NOT NULL CHECK (length(fabric) BETWEEN 1 AND 64),
  tag TEXT NOT NULL UNIQUE CHECK (length(tag) BETWEEN 1 AND 40),
  width_mm REAL NOT NULL CHECK (width_mm > 0 AND width_mm <= 6000),
  selvedge_mm REAL NOT NULL CHECK (selvedge_mm >= 0 AND selvedge_mm <= 100),
  length_mm REAL NOT NULL CHECK (length_mm >= 0 AND length_mm <= 200000),
  flaws TEXT NOT NULL CHECK (json_valid(flaws)),
  -- Used up or thrown away: kept, since moves name its tag.
  gone INTEGER NOT NULL CHECK (gone IN (0, 1))
) STRICT;

CREATE INDEX cloth_sheet_by_fabric ON cloth_sheet (fabric, gone);

CREATE TABLE cloth_move (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  did TEXT NOT NULL,
  -- What was cut: job, tag and size of each piece; and the sheets before and after, all as JSON.
  cuts TEXT NOT NULL CHECK (json_valid(cuts)),
  changes TEXT NOT NULL CHECK (json_valid(changes))
) STRICT;

CREATE INDEX cloth_move_by_time ON cloth_move (at);

CREATE TRIGGER cloth_move_is_kept BEFORE DELETE ON cloth_move
BEGIN SELECT RAISE(ABORT, 'moves of cloth are append-only'); END;
CREATE TRIGGER cloth_move_stands BEFORE UPDATE ON cloth_move
BEGIN SELECT RAISE(ABORT, 'moves of cloth are append-only'); END;
