-- A package's files come in piece by piece, so that nobody's saving waits for a large one: until all are in it is not of the library.
ALTER TABLE packages ADD COLUMN complete INTEGER NOT NULL DEFAULT 1 CHECK (complete IN (0, 1));

-- The files of a version that are no assets (manifest, questions, tests, passages, style sheets), as they came: what is written out
-- again is made of them. A version from before this has none until its package is brought again.
CREATE TABLE sources (
  package_id INTEGER NOT NULL REFERENCES packages (id) ON DELETE CASCADE,
  path       TEXT NOT NULL,
  bytes      BLOB NOT NULL,
  PRIMARY KEY (package_id, path)
) STRICT;

-- A package on its way: how long it will be, and whose it is. Its bytes lie in the folder "uploads" under its id.
CREATE TABLE uploads (
  id         TEXT PRIMARY KEY,
  user_id    INTEGER NOT NULL REFERENCES users (id) ON DELETE CASCADE,
  name       TEXT NOT NULL,
  bytes      INTEGER NOT NULL,
  created_at INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

-- Whom an adult is while trying a test out: a guest with the needs chosen for it, of whom nothing is kept.
ALTER TABLE users ADD COLUMN tries_for INTEGER REFERENCES users (id) ON DELETE CASCADE;
CREATE UNIQUE INDEX users_trying ON users (tries_for) WHERE tries_for IS NOT NULL;
