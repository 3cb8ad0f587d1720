-- Packages are versions that never change: the same identifier with other content is another row. `model_version` says which
-- reader made the models (library/stored.ts upgrades older ones); `content_hash` is of the files themselves.
CREATE TABLE package_versions (
  id            INTEGER PRIMARY KEY,
  identifier    TEXT NOT NULL,
  content_hash  TEXT NOT NULL,
  model_version INTEGER NOT NULL,
  imported_at   INTEGER NOT NULL,
  problems      TEXT NOT NULL CHECK (json_valid(problems)),
  UNIQUE (identifier, content_hash)
) STRICT;
INSERT INTO package_versions (id, identifier, content_hash, model_version, imported_at, problems)
  SELECT id, identifier, 'imported before versions were kept', 1, imported_at, problems FROM packages;
DROP TABLE packages;
ALTER TABLE package_versions RENAME TO packages;

-- An attempt is of the version it was begun on, for ever. Without ON DELETE: what attempts hang on cannot be deleted.
ALTER TABLE attempts ADD COLUMN test_id INTEGER REFERENCES tests (id);
UPDATE attempts SET test_id = (SELECT a.test_id FROM assignments a WHERE a.id = attempts.assignment_id);
-- When it was last stopped or handed in; how many events and letters it holds; the number and time of the server's last event.
ALTER TABLE attempts ADD COLUMN paused_at INTEGER;
ALTER TABLE attempts ADD COLUMN event_count INTEGER NOT NULL DEFAULT 0;
ALTER TABLE attempts ADD COLUMN event_letters INTEGER NOT NULL DEFAULT 0;
ALTER TABLE attempts ADD COLUMN server_seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE attempts ADD COLUMN server_at INTEGER NOT NULL DEFAULT 0;
-- Who keeps it from running, as JSON: student, proctor, lost.
ALTER TABLE attempts ADD COLUMN holds TEXT NOT NULL DEFAULT '[]' CHECK (json_valid(holds));
UPDATE attempts SET
  paused_at = (SELECT max(e.at) FROM events e WHERE e.attempt_id = attempts.id AND e.device = 'server'
               AND json_extract(e.body, '$.type') IN ('stopped', 'handed-in')),
  event_count = (SELECT count(*) FROM events e WHERE e.attempt_id = attempts.id),
  event_letters = (SELECT coalesce(sum(length(e.body)), 0) FROM events e WHERE e.attempt_id = attempts.id),
  server_at = (SELECT coalesce(max(e.at), 0) FROM events e WHERE e.attempt_id = attempts.id AND e.device = 'server'),
  server_seq = (SELECT coalesce(max(e.seq), 0) FROM events e WHERE e.attempt_id = attempts.id AND e.device = 'server');

-- One opened page. Its name is made by the server and tied to the session that opened it.
CREATE TABLE devices (
  id           TEXT PRIMARY KEY,
  attempt_id   TEXT NOT NULL REFERENCES attempts (id),
  session      TEXT,
  opened_at    INTEGER NOT NULL,
  -- Up to which number nothing is missing; the newest time one of its events has.
  acknowledged INTEGER NOT NULL DEFAULT 0,
  newest_at    INTEGER NOT NULL DEFAULT 0
) STRICT, WITHOUT ROWID;
INSERT INTO devices (id, attempt_id, opened_at, acknowledged, newest_at)
  SELECT device, min(attempt_id), min(at), count(*), max(at) FROM events WHERE device <> 'server' GROUP BY device;
CREATE INDEX devices_by_attempt ON devices (attempt_id);

-- `late`: kept and not counted, because it came after the end and nothing proves that it was given before; a person decides.
ALTER TABLE events ADD COLUMN standing TEXT NOT NULL DEFAULT 'counts' CHECK (standing IN ('counts', 'late'));

-- The state as of some event, so that opening an attempt replays a tail and not a life.
CREATE TABLE snapshots (
  attempt_id TEXT PRIMARY KEY REFERENCES attempts (id),
  event_id   INTEGER NOT NULL,
  newest     TEXT NOT NULL CHECK (json_valid(newest)),
  state      TEXT NOT NULL CHECK (json_valid(state))
) STRICT, WITHOUT ROWID;
