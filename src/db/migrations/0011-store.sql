-- The store of what is counted, weighed or poured: what is known of each item, and every change of it, append-only; what is there
-- is the sum of its moves. What a house reckons with, quotes as they were given, and rolled work.

CREATE TABLE store_item (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  unit TEXT NOT NULL CHECK (unit IN ('pieces', 'g', 'ml')),
  -- How many are sold together, and what these cost; none where nobody said.
  pack REAL NOT NULL CHECK (pack > 0),
  price_minor INTEGER CHECK (price_minor IS NULL OR price_minor >= 0),
  -- Below this it is bought.
  least REAL NOT NULL CHECK (least >= 0),
  place TEXT NOT NULL CHECK (length(place) <= 80),
  supplier TEXT NOT NULL CHECK (length(supplier) <= 80),
  revision INTEGER NOT NULL CHECK (revision >= 1)
) STRICT, WITHOUT ROWID;

CREATE TABLE store_move (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  item_id TEXT NOT NULL REFERENCES store_item (id),
  -- Above 0 for what came, below for what went.
  quantity REAL NOT NULL,
  did TEXT NOT NULL CHECK (length(did) <= 300),
  -- The log entry it was taken for; none for what was done by hand.
  entry_id TEXT REFERENCES log_entry (id),
  -- The move that this one takes back.
  undoes TEXT UNIQUE REFERENCES store_move (id)
) STRICT;

CREATE INDEX store_move_by_item ON store_move (item_id, quantity);
CREATE INDEX store_move_by_entry ON store_move (entry_id) WHERE entry_id IS NOT NULL;

CREATE TRIGGER store_move_is_kept BEFORE DELETE ON store_move
BEGIN SELECT RAISE(ABORT, 'moves of the store are append-only'); END;
CREATE TRIGGER store_move_stands BEFORE UPDATE ON store_move
BEGIN SELECT RAISE(ABORT, 'moves of the store are append-only'); END;

CREATE TABLE house_cost (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  settings TEXT NOT NULL CHECK (json_valid(settings)),
  revision INTEGER NOT NULL CHECK (revision >= 1)
) STRICT;

CREATE TABLE quote (
  number INTEGER PRIMARY KEY,
  id TEXT NOT NULL UNIQUE CHECK (length(id) BETWEEN 1 AND 64),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  valid_until TEXT NOT NULL CHECK (valid_until GLOB '????-??-??'),
  for_whom TEXT NOT NULL CHECK (length(for_whom) <= 120),
  -- What it was reckoned from and came to, as it was given.
  frozen TEXT NOT NULL CHECK (json_valid(frozen))
) STRICT;

CREATE TABLE quote_job (
  number INTEGER NOT NULL REFERENCES quote (number),
  job_id TEXT NOT NULL,
  PRIMARY KEY (job_id, number)
) STRICT, WITHOUT ROWID;

CREATE TRIGGER quote_is_kept BEFORE DELETE ON quote
BEGIN SELECT RAISE(ABORT, 'quotes are append-only'); END;
CREATE TRIGGER quote_stands BEFORE UPDATE ON quote
BEGIN SELECT RAISE(ABORT, 'quotes are append-only'); END;

INSERT INTO log_kind VALUES ('takenDown');

-- Paintings that came off their bars: as they were measured when they were rolled.
CREATE TABLE rolled_work (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  job_id TEXT NOT NULL REFERENCES job (id),
  at TEXT NOT NULL,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  -- Size of the image, margins as measured, how it is rolled, and where it lies.
  measured TEXT NOT NULL CHECK (json_valid(measured)),
  -- The job it was stretched again with; none while it lies there.
  stretched_as TEXT
) STRICT;

CREATE INDEX rolled_work_here ON rolled_work (at) WHERE stretched_as IS NULL;
