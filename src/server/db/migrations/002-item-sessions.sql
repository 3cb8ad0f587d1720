-- A question whose answer was checked on the way (adaptive items, or parts that are submitted one by one): how often, and the
-- outcomes of the last try as JSON of QTI values. They never leave the server as they are.
CREATE TABLE item_sessions (
  attempt_id TEXT NOT NULL REFERENCES attempts (id),
  item       TEXT NOT NULL,
  tries      INTEGER NOT NULL CHECK (tries > 0),
  outcomes   TEXT NOT NULL CHECK (json_valid(outcomes)),
  PRIMARY KEY (attempt_id, item)
) STRICT, WITHOUT ROWID;
