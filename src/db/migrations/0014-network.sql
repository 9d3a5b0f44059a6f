-- Other devices of the house: whether this machine lets them in, who is signed in, and at which one an entry was written.

ALTER TABLE log_entry ADD COLUMN device TEXT NOT NULL DEFAULT '' CHECK (length(device) <= 60);

CREATE TABLE network (
  id INTEGER PRIMARY KEY CHECK (id = 1),
  is_open INTEGER NOT NULL CHECK (is_open IN (0, 1)),
  port INTEGER NOT NULL CHECK (port BETWEEN 1 AND 65535),
  -- Hashes of what is typed to sign in, with how they were made; of the second one whoever knows it sees and ticks only.
  passphrase TEXT NOT NULL CHECK (length(passphrase) BETWEEN 20 AND 400),
  looking_passphrase TEXT CHECK (length(looking_passphrase) BETWEEN 20 AND 400),
  -- How long a device stays signed in.
  hours INTEGER NOT NULL CHECK (hours BETWEEN 1 AND 720),
  -- Files of the house’s own certificate and its key; without them it is plain http.
  cert_file TEXT NOT NULL CHECK (length(cert_file) <= 400),
  key_file TEXT NOT NULL CHECK (length(key_file) <= 400),
  CHECK ((cert_file = '') = (key_file = ''))
) STRICT;

CREATE TABLE device (
  id TEXT PRIMARY KEY,
  name TEXT NOT NULL CHECK (length(name) BETWEEN 1 AND 60),
  role TEXT NOT NULL CHECK (role IN ('maker', 'viewer')),
  -- What its cookie says, hashed: the file alone lets nobody in.
  token_hash TEXT NOT NULL UNIQUE,
  address TEXT NOT NULL,
  signed_in_at TEXT NOT NULL,
  seen_at TEXT NOT NULL,
  ends_at TEXT NOT NULL
) STRICT, WITHOUT ROWID;
