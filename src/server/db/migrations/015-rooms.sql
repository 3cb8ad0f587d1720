-- A room: whoever supervises reads its code out, and who sits there signs in with it, for its test.
CREATE TABLE rooms (
  id        INTEGER PRIMARY KEY,
  code      TEXT NOT NULL,
  test_id   INTEGER NOT NULL REFERENCES tests (id) ON DELETE CASCADE,
  opened_by INTEGER NOT NULL REFERENCES users (id),
  opened_at INTEGER NOT NULL,
  closed_at INTEGER
) STRICT;
CREATE UNIQUE INDEX rooms_open ON rooms (code) WHERE closed_at IS NULL;
-- A session opened with a room's code: for one assignment, and only once its student was let in.
ALTER TABLE sessions ADD COLUMN room_id INTEGER REFERENCES rooms (id) ON DELETE CASCADE;
ALTER TABLE sessions ADD COLUMN assignment_id INTEGER REFERENCES assignments (id) ON DELETE CASCADE;
ALTER TABLE sessions ADD COLUMN let_in_at INTEGER;
