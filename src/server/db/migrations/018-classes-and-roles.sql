-- Two more roles: who gives points to what a machine cannot score, and who keeps the people of the school.
CREATE TABLE users_again (
  id            INTEGER PRIMARY KEY,
  sign_in_name  TEXT NOT NULL UNIQUE COLLATE NOCASE,
  display_name  TEXT NOT NULL,
  role          TEXT NOT NULL CHECK (role IN ('student', 'teacher', 'proctor', 'scorer', 'administrator')),
  -- Null: nobody signs in with a password until one is set.
  password_hash TEXT,
  needs         TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(needs)),
  created_at    INTEGER NOT NULL,
  chosen_view   TEXT,
  language      TEXT,
  guest         INTEGER NOT NULL DEFAULT 0,
  -- What the roster calls this person; null of whom it does not know.
  sourced_id    TEXT UNIQUE,
  -- Since when this person is not here any more: cannot sign in, and is given nothing. What they did is kept.
  ended_at      INTEGER
) STRICT;
INSERT INTO users_again (id, sign_in_name, display_name, role, password_hash, needs, created_at, chosen_view, language, guest)
  SELECT id, sign_in_name, display_name, role, password_hash, needs, created_at, chosen_view, language, guest FROM users;
DROP TABLE users;
ALTER TABLE users_again RENAME TO users;
CREATE INDEX users_guests ON users (guest) WHERE guest = 1;

-- Classes, with who teaches and who learns there.
CREATE TABLE classes (
  id         INTEGER PRIMARY KEY,
  sourced_id TEXT UNIQUE,
  title      TEXT NOT NULL,
  ended_at   INTEGER
) STRICT;
CREATE TABLE class_members (
  class_id INTEGER NOT NULL REFERENCES classes (id) ON DELETE CASCADE,
  user_id  INTEGER NOT NULL REFERENCES users (id) ON DELETE CASCADE,
  PRIMARY KEY (class_id, user_id)
) STRICT, WITHOUT ROWID;
CREATE INDEX class_members_by_user ON class_members (user_id);

-- Until now whoever taught reached everybody: so it stays, as one class.
INSERT INTO classes (title) SELECT 'Everyone' WHERE EXISTS (SELECT 1 FROM users WHERE role = 'teacher');
INSERT INTO class_members (class_id, user_id)
  SELECT c.id, u.id FROM classes c, users u WHERE u.role IN ('student', 'teacher') AND u.guest = 0;
