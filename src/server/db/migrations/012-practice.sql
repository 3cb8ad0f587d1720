-- Tests offered for practice, to anyone: of them nothing is kept. One line for each grade and subject they are offered under.
CREATE TABLE practice (
  test_id INTEGER NOT NULL REFERENCES tests (id) ON DELETE CASCADE,
  grade   TEXT NOT NULL,
  subject TEXT NOT NULL,
  PRIMARY KEY (test_id, grade, subject)
) STRICT, WITHOUT ROWID;
-- Who practices without an account: there only as long as the session is.
ALTER TABLE users ADD COLUMN guest INTEGER NOT NULL DEFAULT 0;
CREATE INDEX users_guests ON users (guest) WHERE guest = 1;
