-- What whoever supervises has done, to whom, and why. It is only added to: nobody changes or takes away a line, not even the app.
CREATE TABLE supervision_log (
  id         INTEGER PRIMARY KEY,
  at         INTEGER NOT NULL,
  by_id      INTEGER NOT NULL REFERENCES users (id),
  student_id INTEGER REFERENCES users (id),
  test_id    INTEGER,
  done       TEXT NOT NULL,
  detail     TEXT NOT NULL DEFAULT '',
  reason     TEXT NOT NULL DEFAULT ''
) STRICT;
CREATE TRIGGER supervision_log_stays BEFORE UPDATE ON supervision_log
BEGIN SELECT RAISE(ABORT, 'the supervision log is only added to'); END;
CREATE TRIGGER supervision_log_stays_whole BEFORE DELETE ON supervision_log
BEGIN SELECT RAISE(ABORT, 'the supervision log is only added to'); END;

-- Who wants an attempt ended, until its page has sent what it holds; and the question it is at.
ALTER TABLE attempts ADD COLUMN end_by TEXT;
ALTER TABLE attempts ADD COLUMN current_item TEXT;
