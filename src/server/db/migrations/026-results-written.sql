-- When results were last written: counts on with every writing, so that what was worked out of them can tell whether it still holds.
ALTER TABLE test_results ADD COLUMN written INTEGER NOT NULL DEFAULT 0;
CREATE INDEX test_results_written ON test_results (written);
