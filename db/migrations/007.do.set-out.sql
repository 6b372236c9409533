-- Set-out sheets of builds: every input with who and when, two measurings, locked when they agree.
CREATE TABLE setout_sheet (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  build_id VARCHAR(60) NOT NULL,
  job_id VARCHAR(80) NULL,
  calculator VARCHAR(40) NOT NULL,
  draft JSON NOT NULL COMMENT 'as typed',
  input JSON NOT NULL COMMENT 'as the calculator takes it',
  basis JSON NOT NULL COMMENT 'facts of van and choices that it stood on when it was filled',
  worst ENUM('ok','warn','stop') NOT NULL COMMENT 'its gravest finding',
  mass_kg DECIMAL(9,3) NULL,
  saved_by VARCHAR(40) NOT NULL,
  saved_at DATETIME NOT NULL,
  second JSON NULL COMMENT 'readings from the other datum, by name',
  second_by VARCHAR(40) NULL,
  second_at DATETIME NULL,
  locked_at DATETIME NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY setout_sheet_one (build_id, job_id, calculator),
  KEY setout_sheet_job (job_id),
  CONSTRAINT setout_sheet_build FOREIGN KEY (build_id) REFERENCES build (id) ON DELETE CASCADE,
  CONSTRAINT setout_sheet_job_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CHECK ((second IS NULL) = (second_at IS NULL))
) ENGINE=InnoDB;

CREATE TABLE setout_input (
  sheet_id VARCHAR(40) NOT NULL,
  n INT UNSIGNED NOT NULL,
  input JSON NOT NULL,
  saved_by VARCHAR(40) NOT NULL,
  saved_at DATETIME NOT NULL,
  PRIMARY KEY (sheet_id, n),
  CONSTRAINT setout_input_of FOREIGN KEY (sheet_id) REFERENCES setout_sheet (id) ON DELETE CASCADE
) ENGINE=InnoDB COMMENT='every input a sheet has had';

ALTER TABLE part_line ADD COLUMN setout_sheet_id VARCHAR(40) NULL COMMENT 'the sheet that worked its quantity out',
  ADD KEY part_line_sheet (setout_sheet_id);
