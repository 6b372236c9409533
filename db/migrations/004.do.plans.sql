-- Plans: published ones are numbered and stay; the working one is replaced by each replan.
CREATE TABLE plan (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  kind ENUM('working','published') NOT NULL,
  number INT UNSIGNED NULL COMMENT 'of published plans, 1, 2, 3 …',
  note VARCHAR(300) NOT NULL DEFAULT '',
  made_at DATETIME(3) NOT NULL,
  made_by VARCHAR(40) NOT NULL,
  now_at DATETIME NOT NULL COMMENT 'the now it was planned from',
  seed INT NOT NULL,
  iterations INT UNSIGNED NOT NULL,
  cost JSON NOT NULL,
  UNIQUE KEY plan_number (number),
  KEY plan_kind (kind, made_at),
  CHECK ((kind = 'published') = (number IS NOT NULL))
) ENGINE=InnoDB;

CREATE TABLE plan_job (
  plan_id VARCHAR(40) NOT NULL,
  job_id VARCHAR(80) NOT NULL,
  starts DATETIME NOT NULL,
  ends DATETIME NOT NULL,
  hold_until DATETIME NULL,
  place VARCHAR(40) NOT NULL,
  work JSON NOT NULL COMMENT 'local stretches, as in the plan format',
  why JSON NOT NULL,
  PRIMARY KEY (plan_id, job_id),
  KEY plan_job_job (job_id),
  KEY plan_job_start (plan_id, starts),
  CONSTRAINT plan_job_plan FOREIGN KEY (plan_id) REFERENCES plan (id) ON DELETE CASCADE,
  CONSTRAINT plan_job_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE plan_job_fitter (
  plan_id VARCHAR(40) NOT NULL,
  job_id VARCHAR(80) NOT NULL,
  fitter_id VARCHAR(40) NOT NULL,
  PRIMARY KEY (plan_id, job_id, fitter_id),
  KEY plan_job_fitter_who (fitter_id),
  CONSTRAINT plan_job_fitter_job FOREIGN KEY (plan_id, job_id) REFERENCES plan_job (plan_id, job_id) ON DELETE CASCADE,
  CONSTRAINT plan_job_fitter_of FOREIGN KEY (fitter_id) REFERENCES fitter (id)
) ENGINE=InnoDB;

CREATE TABLE plan_stay (
  plan_id VARCHAR(40) NOT NULL,
  build_id VARCHAR(60) NOT NULL,
  n SMALLINT UNSIGNED NOT NULL,
  place VARCHAR(40) NOT NULL,
  starts DATETIME NOT NULL,
  ends DATETIME NOT NULL,
  PRIMARY KEY (plan_id, build_id, n),
  CONSTRAINT plan_stay_plan FOREIGN KEY (plan_id) REFERENCES plan (id) ON DELETE CASCADE,
  CONSTRAINT plan_stay_build FOREIGN KEY (build_id) REFERENCES build (id) ON DELETE CASCADE,
  CHECK (starts < ends)
) ENGINE=InnoDB;

CREATE TABLE plan_build (
  plan_id VARCHAR(40) NOT NULL,
  build_id VARCHAR(60) NOT NULL,
  finish DATETIME NULL,
  due DATETIME NOT NULL,
  late_minutes INT UNSIGNED NOT NULL,
  chain JSON NOT NULL,
  PRIMARY KEY (plan_id, build_id),
  CONSTRAINT plan_build_plan FOREIGN KEY (plan_id) REFERENCES plan (id) ON DELETE CASCADE,
  CONSTRAINT plan_build_of FOREIGN KEY (build_id) REFERENCES build (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE plan_trouble (
  plan_id VARCHAR(40) NOT NULL,
  job_id VARCHAR(80) NOT NULL,
  kind ENUM('unplaced','pin') NOT NULL,
  reason VARCHAR(600) NOT NULL,
  PRIMARY KEY (plan_id, job_id, kind),
  CONSTRAINT plan_trouble_plan FOREIGN KEY (plan_id) REFERENCES plan (id) ON DELETE CASCADE,
  CONSTRAINT plan_trouble_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE plan_lease (
  workshop_id VARCHAR(40) NOT NULL PRIMARY KEY,
  holder VARCHAR(40) NOT NULL,
  expires_at DATETIME(3) NOT NULL,
  CONSTRAINT plan_lease_of FOREIGN KEY (workshop_id) REFERENCES workshop (id) ON DELETE CASCADE
) ENGINE=InnoDB COMMENT='one plan search at a time, whichever server runs it';
