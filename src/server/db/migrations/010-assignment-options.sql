-- What an assignment settles about how its test is taken (core/item/options): what is not said is as usual.
ALTER TABLE assignments ADD COLUMN options TEXT NOT NULL DEFAULT '{}' CHECK (json_valid(options));
