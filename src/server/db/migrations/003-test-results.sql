-- What a test's outcome processing gave for an attempt, as JSON of QTI values; none where a test has no outcome processing.
CREATE TABLE test_results (
  attempt_id TEXT PRIMARY KEY REFERENCES attempts (id),
  outcomes   TEXT NOT NULL CHECK (json_valid(outcomes))
) STRICT, WITHOUT ROWID;
