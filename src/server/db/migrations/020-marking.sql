-- What a person gave for an answer: one line for each reader. `points` is JSON (core/marking). Readers are counted in the order of `at`.
CREATE TABLE marks (
  attempt_id TEXT NOT NULL REFERENCES attempts (id),
  item       TEXT NOT NULL,
  reader_id  INTEGER NOT NULL REFERENCES users (id),
  points     TEXT NOT NULL CHECK (json_valid(points)),
  note       TEXT NOT NULL DEFAULT '',
  first_at   INTEGER NOT NULL,
  changed_at INTEGER NOT NULL,
  PRIMARY KEY (attempt_id, item, reader_id)
) STRICT, WITHOUT ROWID;
-- Every mark that was ever given, by whom and when. Append-only.
CREATE TABLE mark_log (
  id         INTEGER PRIMARY KEY,
  attempt_id TEXT NOT NULL REFERENCES attempts (id),
  item       TEXT NOT NULL,
  reader_id  INTEGER NOT NULL REFERENCES users (id),
  points     TEXT NOT NULL CHECK (json_valid(points)),
  at         INTEGER NOT NULL
) STRICT;
CREATE INDEX mark_log_by_attempt ON mark_log (attempt_id);
-- What comes of the marks of an answer, once all that are wanted are there: it is what counts.
CREATE TABLE settled_marks (
  attempt_id TEXT NOT NULL REFERENCES attempts (id),
  item       TEXT NOT NULL,
  points     TEXT NOT NULL CHECK (json_valid(points)),
  PRIMARY KEY (attempt_id, item)
) STRICT, WITHOUT ROWID;
-- How the answers to a test are marked, where it is not by one reader.
CREATE TABLE marking_rules (
  test_id   INTEGER PRIMARY KEY REFERENCES tests (id) ON DELETE CASCADE,
  readers   INTEGER NOT NULL CHECK (readers IN (1, 2)),
  differ_by REAL NOT NULL CHECK (differ_by >= 0)
) STRICT;
-- Whether a person's points are in the outcomes; and how long the question was looked at, in milliseconds of its attempt's clock.
ALTER TABLE item_results ADD COLUMN marked INTEGER NOT NULL DEFAULT 0 CHECK (marked IN (0, 1));
ALTER TABLE item_results ADD COLUMN used_ms INTEGER;
-- Who has something to mark is looked for often.
CREATE INDEX item_results_to_mark ON item_results (attempt_id) WHERE marked = 0 AND scored_by <> 'machine' AND progress <> 'empty';
