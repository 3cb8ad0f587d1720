-- Answers that came late, apart from the events, so that looking who waits reads no answers: one line for each event, undecided (counts
-- is null) until whoever supervises says whether it counts. What the event said of its time is kept here when it is moved.
CREATE TABLE late_answers (
  attempt_id  TEXT NOT NULL REFERENCES attempts (id),
  device      TEXT NOT NULL,
  seq         INTEGER NOT NULL,
  item        TEXT NOT NULL,
  said_at     INTEGER NOT NULL,
  received_at INTEGER NOT NULL,
  counts      INTEGER CHECK (counts IN (0, 1)),
  judged_at   INTEGER,
  judged_by   INTEGER REFERENCES users (id),
  PRIMARY KEY (attempt_id, device, seq)
) STRICT, WITHOUT ROWID;
INSERT INTO late_answers (attempt_id, device, seq, item, said_at, received_at, counts, judged_at, judged_by)
  SELECT e.attempt_id, e.device, e.seq, json_extract(e.body, '$.item'), coalesce(j.said_at, e.at), e.received_at, j.counts, j.judged_at, j.judged_by
  FROM events e LEFT JOIN judgements j USING (attempt_id, device, seq)
  WHERE json_extract(e.body, '$.type') = 'answered' AND (e.standing = 'late' OR j.counts IS NOT NULL);
DROP TABLE judgements;
DROP INDEX events_late;
