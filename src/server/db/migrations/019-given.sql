-- From when to when a test can be started, in milliseconds since 1970; null = no such bound. Who has begun may finish.
ALTER TABLE assignments ADD COLUMN opens_at INTEGER;
ALTER TABLE assignments ADD COLUMN closes_at INTEGER CHECK (closes_at IS NULL OR opens_at IS NULL OR closes_at > opens_at);
ALTER TABLE assignments ADD COLUMN given_by INTEGER REFERENCES users (id);
-- When its results were let be told, where they wait for that.
ALTER TABLE assignments ADD COLUMN released_at INTEGER;
CREATE INDEX assignments_by_user ON assignments (user_id);
