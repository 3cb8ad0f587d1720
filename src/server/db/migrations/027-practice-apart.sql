-- A test may be given to a student for practice and for real: two assignments, each with its own attempts.
CREATE TABLE assignments_again (
  id          INTEGER PRIMARY KEY,
  test_id     INTEGER NOT NULL REFERENCES tests (id),
  user_id     INTEGER NOT NULL REFERENCES users (id) ON DELETE CASCADE,
  created_at  INTEGER NOT NULL,
  options     TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(options)),
  -- When, and by whom, the student was let in.
  let_in_at   INTEGER,
  let_in_by   INTEGER REFERENCES users (id),
  opens_at    INTEGER,
  closes_at   INTEGER CHECK (closes_at IS NULL OR opens_at IS NULL OR closes_at > opens_at),
  given_by    INTEGER REFERENCES users (id),
  -- When its results were let be told, where they wait for that.
  released_at INTEGER,
  -- 1: for practice, as its options say.
  practice    INTEGER NOT NULL GENERATED ALWAYS AS (coalesce(json_extract(options, '$.practice'), 0)) VIRTUAL,
  UNIQUE (test_id, user_id, practice)
) STRICT;
INSERT INTO assignments_again (id, test_id, user_id, created_at, options, let_in_at, let_in_by, opens_at, closes_at, given_by, released_at)
  SELECT id, test_id, user_id, created_at, options, let_in_at, let_in_by, opens_at, closes_at, given_by, released_at FROM assignments;
DROP TABLE assignments;
ALTER TABLE assignments_again RENAME TO assignments;
CREATE INDEX assignments_by_user ON assignments (user_id);
