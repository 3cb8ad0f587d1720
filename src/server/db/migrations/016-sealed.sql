-- A test that is fetched whole before its clock starts: the key under which it was sent, told when it starts; null of any other.
ALTER TABLE attempts ADD COLUMN seal_key TEXT;
