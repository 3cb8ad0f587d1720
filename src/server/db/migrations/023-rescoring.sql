-- By which version's keys a test is scored, from when on, who said so and why; the newest line of a test counts. Nothing is taken away:
-- going back to its own keys is a line too.
CREATE TABLE rescorings (
  id          INTEGER PRIMARY KEY,
  test_id     INTEGER NOT NULL REFERENCES tests (id),
  key_test_id INTEGER NOT NULL REFERENCES tests (id),
  by_id       INTEGER NOT NULL REFERENCES users (id),
  at          INTEGER NOT NULL,
  reason      TEXT NOT NULL
) STRICT;
CREATE INDEX rescorings_by_test ON rescorings (test_id, id);
CREATE INDEX rescorings_by_key ON rescorings (key_test_id);

-- The version by whose keys the kept scores are; null: by the attempt's own.
ALTER TABLE test_results ADD COLUMN key_test_id INTEGER REFERENCES tests (id);
