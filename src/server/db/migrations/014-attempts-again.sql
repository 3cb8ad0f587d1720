-- A test may be taken more than once where its assignment says so: an assignment has attempts, the newest the one that counts as its own.
CREATE TABLE attempts_again (
  id            TEXT PRIMARY KEY,
  assignment_id INTEGER NOT NULL REFERENCES assignments (id),
  test_id       INTEGER REFERENCES tests (id),
  user_id       INTEGER NOT NULL REFERENCES users (id),
  seed          TEXT NOT NULL,
  device        TEXT,
  phase         TEXT NOT NULL CHECK (phase IN ('not-started', 'running', 'stopped', 'handed-in')),
  limit_ms      INTEGER,
  used_ms       INTEGER NOT NULL DEFAULT 0,
  running_since INTEGER,
  last_alive_at INTEGER NOT NULL,
  begun_at      INTEGER NOT NULL,
  handed_in_at  INTEGER,
  paused_at     INTEGER,
  event_count   INTEGER NOT NULL DEFAULT 0,
  event_letters INTEGER NOT NULL DEFAULT 0,
  server_seq    INTEGER NOT NULL DEFAULT 0,
  server_at     INTEGER NOT NULL DEFAULT 0,
  holds         TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(holds)),
  locked        TEXT CHECK (locked IS NULL OR json_valid(locked)),
  times_left    INTEGER NOT NULL DEFAULT 0,
  low_battery   INTEGER NOT NULL DEFAULT 0,
  hold_by       TEXT
) STRICT;
INSERT INTO attempts_again (id, assignment_id, test_id, user_id, seed, device, phase, limit_ms, used_ms, running_since, last_alive_at,
    begun_at, handed_in_at, paused_at, event_count, event_letters, server_seq, server_at, holds, locked, times_left, low_battery, hold_by)
  SELECT id, assignment_id, test_id, user_id, seed, device, phase, limit_ms, used_ms, running_since, last_alive_at,
    begun_at, handed_in_at, paused_at, event_count, event_letters, server_seq, server_at, holds, locked, times_left, low_battery, hold_by
  FROM attempts;
DROP TABLE attempts;
ALTER TABLE attempts_again RENAME TO attempts;
CREATE INDEX attempts_by_assignment ON attempts (assignment_id, begun_at);
