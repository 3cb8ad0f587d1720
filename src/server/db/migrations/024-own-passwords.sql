-- Whose password was given to them and is to be replaced by one of their own before anything else.
ALTER TABLE users ADD COLUMN must_change INTEGER NOT NULL DEFAULT 0 CHECK (must_change IN (0, 1));
-- When somebody was erased: the row stays without a name, because marks and logs point to it.
ALTER TABLE users ADD COLUMN erased_at INTEGER;
