-- Released by two: where the house says so, the lead or a deputy releases what can't be undone, after somebody else has answered.
ALTER TABLE workshop ADD release_cuts TINYINT(1) NOT NULL DEFAULT 0;
ALTER TABLE job
  ADD released_by VARCHAR(40) NULL COMMENT 'the second name before what cannot be undone',
  ADD released_at DATETIME NULL;
