-- Whoever supervises wants the attempt paused (their name): it is from when its page has heard of it.
ALTER TABLE attempts ADD COLUMN hold_by TEXT;
-- What whoever supervises decided of answers that came late. The event itself is moved where it counts; what it said is kept here.
CREATE TABLE judgements (
  attempt_id TEXT NOT NULL REFERENCES attempts (id),
  device     TEXT NOT NULL,
  seq        INTEGER NOT NULL,
  counts     INTEGER NOT NULL CHECK (counts IN (0, 1)),
  said_at    INTEGER NOT NULL,
  judged_at  INTEGER NOT NULL,
  judged_by  INTEGER NOT NULL REFERENCES users (id),
  PRIMARY KEY (attempt_id, device, seq)
) STRICT, WITHOUT ROWID;
CREATE INDEX events_late ON events (attempt_id) WHERE standing = 'late';
