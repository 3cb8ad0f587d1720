-- What a student chose in My view (core/needs, `chosenView`), on top of what was set for them.
ALTER TABLE users ADD COLUMN chosen_view TEXT;
