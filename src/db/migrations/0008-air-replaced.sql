-- A real reading takes the place of a simulated one of the same moment; what was there before is kept here.

CREATE TABLE air_replaced (
  seq INTEGER PRIMARY KEY AUTOINCREMENT,
  at TEXT NOT NULL,
  celsius REAL NOT NULL,
  rh REAL NOT NULL,
  source TEXT NOT NULL,
  replaced_by TEXT NOT NULL
) STRICT;

CREATE TRIGGER air_replaced_is_kept BEFORE DELETE ON air_replaced
BEGIN SELECT RAISE(ABORT, 'what was replaced is append-only'); END;
CREATE TRIGGER air_replaced_stands BEFORE UPDATE ON air_replaced
BEGIN SELECT RAISE(ABORT, 'what was replaced is append-only'); END;
