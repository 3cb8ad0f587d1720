-- The go-ahead of whoever supervises, where an assignment asks for one: when, and by whom.
ALTER TABLE assignments ADD COLUMN let_in_at INTEGER;
ALTER TABLE assignments ADD COLUMN let_in_by INTEGER REFERENCES users (id);
-- Questions locked after a long pause, as JSON (core/attempt/state): null = none.
ALTER TABLE attempts ADD COLUMN locked TEXT CHECK (locked IS NULL OR json_valid(locked));
-- What whoever supervises should know: how often the test was left, and whether the battery is low.
ALTER TABLE attempts ADD COLUMN times_left INTEGER NOT NULL DEFAULT 0;
ALTER TABLE attempts ADD COLUMN low_battery INTEGER NOT NULL DEFAULT 0;
