-- Hands tried on the scale: pulls of one feel, some in a row. Only ever added to.

CREATE TABLE hand_trial (
  id TEXT PRIMARY KEY,
  maker TEXT NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  feel TEXT NOT NULL,
  -- Newtons, a list.
  pulled_n TEXT NOT NULL CHECK (json_valid(pulled_n)),
  -- The practice scale told them.
  simulated INTEGER NOT NULL CHECK (simulated IN (0, 1)),
  tried_at TEXT NOT NULL
) STRICT;

CREATE INDEX hand_trial_by_maker ON hand_trial (maker, feel, tried_at);
