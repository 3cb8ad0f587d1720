-- People. A sign-in name is unique whatever its case. `needs` is JSON checked by core/needs when read.
CREATE TABLE users (
  id            INTEGER PRIMARY KEY,
  sign_in_name  TEXT NOT NULL UNIQUE COLLATE NOCASE,
  display_name  TEXT NOT NULL,
  role          TEXT NOT NULL CHECK (role IN ('student', 'teacher', 'proctor')),
  password_hash TEXT NOT NULL,
  needs         TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(needs)),
  created_at    INTEGER NOT NULL
) STRICT;

-- Only a hash of the token is kept: who reads the database cannot sign in with it.
CREATE TABLE sessions (
  token_hash TEXT PRIMARY KEY,
  user_id    INTEGER NOT NULL REFERENCES users (id) ON DELETE CASCADE,
  created_at INTEGER NOT NULL,
  expires_at INTEGER NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE sign_in_failures (
  key TEXT NOT NULL,
  at  INTEGER NOT NULL
) STRICT;
CREATE INDEX sign_in_failures_by_key ON sign_in_failures (key, at);

-- Content, as the importer read it. `model` is the JSON of the core's own model.
CREATE TABLE packages (
  id          INTEGER PRIMARY KEY,
  identifier  TEXT NOT NULL UNIQUE,
  imported_at INTEGER NOT NULL,
  problems    TEXT NOT NULL CHECK (json_valid(problems))
) STRICT;
CREATE TABLE items (
  package_id INTEGER NOT NULL REFERENCES packages (id) ON DELETE CASCADE,
  identifier TEXT NOT NULL,
  model      TEXT NOT NULL CHECK (json_valid(model)),
  PRIMARY KEY (package_id, identifier)
) STRICT;
CREATE TABLE stimuli (
  package_id INTEGER NOT NULL REFERENCES packages (id) ON DELETE CASCADE,
  identifier TEXT NOT NULL,
  model      TEXT NOT NULL CHECK (json_valid(model)),
  PRIMARY KEY (package_id, identifier)
) STRICT;
CREATE TABLE assets (
  package_id INTEGER NOT NULL REFERENCES packages (id) ON DELETE CASCADE,
  path       TEXT NOT NULL,
  media_type TEXT NOT NULL,
  bytes      BLOB NOT NULL,
  PRIMARY KEY (package_id, path)
) STRICT;
CREATE TABLE tests (
  id         INTEGER PRIMARY KEY,
  package_id INTEGER NOT NULL REFERENCES packages (id) ON DELETE CASCADE,
  identifier TEXT NOT NULL,
  title      TEXT NOT NULL,
  model      TEXT NOT NULL CHECK (json_valid(model)),
  UNIQUE (package_id, identifier)
) STRICT;

CREATE TABLE assignments (
  id         INTEGER PRIMARY KEY,
  test_id    INTEGER NOT NULL REFERENCES tests (id),
  user_id    INTEGER NOT NULL REFERENCES users (id) ON DELETE CASCADE,
  created_at INTEGER NOT NULL,
  UNIQUE (test_id, user_id)
) STRICT;

-- An attempt begins with the one button that says so. phase and the three clock columns are what the reducer makes of the
-- server's events, kept here so that saving an answer need not replay them; delivery/clock.ts is the only writer.
CREATE TABLE attempts (
  id            TEXT PRIMARY KEY,
  assignment_id INTEGER NOT NULL UNIQUE REFERENCES assignments (id),
  user_id       INTEGER NOT NULL REFERENCES users (id),
  seed          TEXT NOT NULL,
  device        TEXT,
  phase         TEXT NOT NULL CHECK (phase IN ('not-started', 'running', 'stopped', 'handed-in')),
  limit_ms      INTEGER,
  used_ms       INTEGER NOT NULL DEFAULT 0,
  running_since INTEGER,
  last_alive_at INTEGER NOT NULL,
  begun_at      INTEGER NOT NULL,
  handed_in_at  INTEGER
) STRICT;

-- Append-only. Sending twice changes nothing (UNIQUE); `id` is the order of arrival.
CREATE TABLE events (
  id          INTEGER PRIMARY KEY,
  attempt_id  TEXT NOT NULL REFERENCES attempts (id),
  device      TEXT NOT NULL,
  seq         INTEGER NOT NULL,
  at          INTEGER NOT NULL,
  received_at INTEGER NOT NULL,
  body        TEXT NOT NULL,
  UNIQUE (attempt_id, device, seq)
) STRICT;
CREATE INDEX events_in_order ON events (attempt_id, id);

-- The responses as they stand, beside the events that made them: JSON of QTI lexical forms.
CREATE TABLE responses (
  attempt_id  TEXT NOT NULL REFERENCES attempts (id),
  item        TEXT NOT NULL,
  response    TEXT NOT NULL,
  value       TEXT NOT NULL CHECK (json_valid(value)),
  answered_at INTEGER NOT NULL,
  PRIMARY KEY (attempt_id, item, response)
) STRICT, WITHOUT ROWID;

CREATE TABLE item_results (
  attempt_id TEXT NOT NULL REFERENCES attempts (id),
  item       TEXT NOT NULL,
  outcomes   TEXT NOT NULL CHECK (json_valid(outcomes)),
  progress   TEXT NOT NULL CHECK (progress IN ('empty', 'partial', 'complete')),
  scored_by  TEXT NOT NULL CHECK (scored_by IN ('machine', 'person', 'both')),
  PRIMARY KEY (attempt_id, item)
) STRICT, WITHOUT ROWID;
