-- Jobs that something found asked for, by what it was; and what the maker says a job takes.
ALTER TABLE job ADD extra VARCHAR(160) NULL, ADD maker_minutes INT UNSIGNED NULL;
