-- Every write carries an id of its own, made by whoever asks: a request that comes again, because its answer was lost on the
-- way, is answered again and not carried out again. What it asked is kept as a hash; `of_id` is what its answer was about.

CREATE TABLE sent_request (
  id TEXT PRIMARY KEY CHECK (length(id) BETWEEN 1 AND 64),
  name TEXT NOT NULL,
  asked TEXT NOT NULL,
  of_id TEXT NOT NULL,
  at TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE INDEX sent_request_by_time ON sent_request (at);
