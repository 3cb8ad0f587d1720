-- What an attempt is worth (core/sitting/points.ts), worked out once when it is handed in.
ALTER TABLE test_results ADD COLUMN points TEXT;
