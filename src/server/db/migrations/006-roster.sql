-- What a school's roster says, kind by kind (core/roster): the newest it brought of each record, and whether that still holds.
CREATE TABLE roster_records (
  kind TEXT NOT NULL,
  sourced_id TEXT NOT NULL,
  fields TEXT NOT NULL,
  active INTEGER NOT NULL CHECK (active IN (0, 1)),
  -- Of users that came with one; never in clear.
  password_hash TEXT,
  changed_at INTEGER NOT NULL,
  PRIMARY KEY (kind, sourced_id)
) STRICT, WITHOUT ROWID;
