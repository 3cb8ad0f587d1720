-- The language a person chose for the interface (core/languages); null = as their browser asks.
ALTER TABLE users ADD COLUMN language TEXT;
