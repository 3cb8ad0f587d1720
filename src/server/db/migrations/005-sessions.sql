-- A session ends when nothing is done in it for a while, and after a day in any case.
ALTER TABLE sessions ADD COLUMN seen_at INTEGER NOT NULL DEFAULT 0;
UPDATE sessions SET seen_at = created_at;

-- Tries at signing in: one row a try, made before the password is looked at, taken away again when it was right. Who tried is the
-- name together with the address.
DROP TABLE sign_in_failures;
CREATE TABLE sign_in_tries (
  id      INTEGER PRIMARY KEY,
  name    TEXT NOT NULL COLLATE NOCASE,
  address TEXT NOT NULL,
  at      INTEGER NOT NULL
) STRICT;
CREATE INDEX sign_in_tries_by_name ON sign_in_tries (name, address, at);
CREATE INDEX sign_in_tries_by_time ON sign_in_tries (at);

-- What matters for security: who did what, and when. No answers, no passwords.
CREATE TABLE security_log (
  id      INTEGER PRIMARY KEY,
  at      INTEGER NOT NULL,
  what    TEXT NOT NULL,
  user_id INTEGER,
  address TEXT,
  details TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(details))
) STRICT;
CREATE INDEX security_log_by_time ON security_log (at);
