-- What a job is like for those around it: dust, big sheets, water, a coat.
ALTER TABLE job ADD tags JSON NOT NULL DEFAULT '[]' AFTER tools;
