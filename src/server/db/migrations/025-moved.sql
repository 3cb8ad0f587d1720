-- Who wants an attempt to go on at another computer, until its page has sent what it holds.
ALTER TABLE attempts ADD COLUMN move_by TEXT;
