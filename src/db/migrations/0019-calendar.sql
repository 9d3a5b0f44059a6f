-- What calendars were given last: work that is withdrawn is told to them as cancelled, until its time has passed.

CREATE TABLE calendar_event (
  -- Whose calendar, or everybody's.
  calendar TEXT NOT NULL CHECK (length(calendar) BETWEEN 1 AND 80),
  uid TEXT NOT NULL CHECK (length(uid) BETWEEN 1 AND 160),
  sequence INTEGER NOT NULL CHECK (sequence >= 0),
  start_ms INTEGER NOT NULL,
  end_ms INTEGER NOT NULL,
  summary TEXT NOT NULL,
  cancelled INTEGER NOT NULL CHECK (cancelled IN (0, 1)),
  PRIMARY KEY (calendar, uid)
) STRICT, WITHOUT ROWID;
