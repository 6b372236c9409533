-- Jobs that something found asked for, by what it was.
ALTER TABLE job ADD extra VARCHAR(160) NULL;
