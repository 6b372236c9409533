-- Vans, builds and their network of jobs.
CREATE TABLE van_template (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  length_mm INT UNSIGNED NOT NULL,
  width_mm INT UNSIGNED NOT NULL,
  height_mm INT UNSIGNED NOT NULL,
  wheelbase_mm INT UNSIGNED NOT NULL,
  inside_crew TINYINT UNSIGNED NOT NULL DEFAULT 3,
  geometry JSON NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1
) ENGINE=InnoDB;

CREATE TABLE build (
  id VARCHAR(60) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  client VARCHAR(120) NOT NULL,
  purpose VARCHAR(160) NOT NULL DEFAULT '',
  van_template_id VARCHAR(40) NOT NULL,
  arrives DATETIME NOT NULL,
  due DATETIME NOT NULL,
  weight DECIMAL(5,2) NOT NULL DEFAULT 1,
  options JSON NOT NULL,
  at_place VARCHAR(40) NULL COMMENT 'bay id, yard, or null while off site',
  state ENUM('active','handed-over','cancelled') NOT NULL DEFAULT 'active',
  created_at DATETIME(3) NOT NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  KEY build_state (state, due),
  CONSTRAINT build_van FOREIGN KEY (van_template_id) REFERENCES van_template (id),
  CHECK (arrives < due),
  CHECK (weight > 0)
) ENGINE=InnoDB;

CREATE TABLE job (
  id VARCHAR(80) NOT NULL PRIMARY KEY,
  build_id VARCHAR(60) NOT NULL,
  code VARCHAR(20) NOT NULL,
  stage VARCHAR(20) NOT NULL,
  name VARCHAR(160) NOT NULL,
  seq SMALLINT UNSIGNED NOT NULL,
  best_minutes INT UNSIGNED NOT NULL,
  likely_minutes INT UNSIGNED NOT NULL,
  worst_minutes INT UNSIGNED NOT NULL,
  place ENUM('van','bench') NOT NULL,
  yard_ok BOOLEAN NOT NULL DEFAULT FALSE,
  bay_has JSON NOT NULL,
  zones JSON NOT NULL,
  needs_dry BOOLEAN NOT NULL DEFAULT FALSE,
  needs_daylight BOOLEAN NOT NULL DEFAULT FALSE,
  needs_min_temp_c DECIMAL(4,1) NULL,
  noisy BOOLEAN NOT NULL DEFAULT FALSE,
  same_day BOOLEAN NOT NULL DEFAULT FALSE,
  hold_minutes INT UNSIGNED NOT NULL DEFAULT 0,
  hold_still BOOLEAN NOT NULL DEFAULT FALSE,
  hold_keep_off JSON NULL COMMENT 'list of zones, or the text all',
  hold_min_temp_c DECIMAL(4,1) NULL,
  not_before DATETIME NULL,
  pin_start DATETIME NULL,
  pin_place VARCHAR(40) NULL,
  cautions JSON NOT NULL,
  kit JSON NOT NULL,
  state ENUM('todo','started','paused','done') NOT NULL DEFAULT 'todo',
  started_at DATETIME NULL,
  running_since DATETIME NULL COMMENT 'start of the present stretch of work',
  worked_minutes INT UNSIGNED NOT NULL DEFAULT 0 COMMENT 'shop minutes of earlier stretches',
  ended_at DATETIME NULL,
  actual_place VARCHAR(40) NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY job_code (build_id, code),
  KEY job_state (state),
  CONSTRAINT job_build FOREIGN KEY (build_id) REFERENCES build (id) ON DELETE CASCADE,
  CHECK (best_minutes <= likely_minutes AND likely_minutes <= worst_minutes AND worst_minutes > 0),
  CHECK (state = 'todo' OR started_at IS NOT NULL),
  CHECK (state <> 'done' OR ended_at IS NOT NULL)
) ENGINE=InnoDB;

CREATE TABLE job_crew (
  job_id VARCHAR(80) NOT NULL,
  n TINYINT UNSIGNED NOT NULL,
  skill VARCHAR(40) NOT NULL,
  level TINYINT UNSIGNED NOT NULL DEFAULT 1,
  people TINYINT UNSIGNED NOT NULL DEFAULT 1,
  ticket VARCHAR(40) NULL,
  PRIMARY KEY (job_id, n),
  CONSTRAINT job_crew_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CHECK (level BETWEEN 1 AND 3),
  CHECK (people >= 1)
) ENGINE=InnoDB;

CREATE TABLE job_fitter (
  job_id VARCHAR(80) NOT NULL,
  fitter_id VARCHAR(40) NOT NULL,
  PRIMARY KEY (job_id, fitter_id),
  KEY job_fitter_fitter (fitter_id),
  CONSTRAINT job_fitter_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT job_fitter_who FOREIGN KEY (fitter_id) REFERENCES fitter (id)
) ENGINE=InnoDB COMMENT='who really works or worked on it';

CREATE TABLE job_pin_fitter (
  job_id VARCHAR(80) NOT NULL,
  fitter_id VARCHAR(40) NOT NULL,
  PRIMARY KEY (job_id, fitter_id),
  CONSTRAINT job_pin_fitter_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT job_pin_fitter_who FOREIGN KEY (fitter_id) REFERENCES fitter (id)
) ENGINE=InnoDB;

CREATE TABLE job_step (
  job_id VARCHAR(80) NOT NULL,
  n TINYINT UNSIGNED NOT NULL,
  text VARCHAR(300) NOT NULL,
  done_at DATETIME NULL,
  done_by VARCHAR(40) NULL,
  PRIMARY KEY (job_id, n),
  CONSTRAINT job_step_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE job_precedence (
  job_id VARCHAR(80) NOT NULL,
  after_job_id VARCHAR(80) NOT NULL,
  lag_minutes INT UNSIGNED NOT NULL DEFAULT 0,
  lag_kind ENUM('elapsed','working') NOT NULL DEFAULT 'elapsed',
  ignore_hold BOOLEAN NOT NULL DEFAULT FALSE,
  reason VARCHAR(200) NOT NULL DEFAULT '',
  PRIMARY KEY (job_id, after_job_id),
  KEY job_precedence_after (after_job_id),
  CONSTRAINT job_precedence_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT job_precedence_before FOREIGN KEY (after_job_id) REFERENCES job (id) ON DELETE CASCADE,
  CHECK (job_id <> after_job_id)
) ENGINE=InnoDB;

CREATE TABLE job_cover (
  job_id VARCHAR(80) NOT NULL,
  covered_job_id VARCHAR(80) NOT NULL,
  PRIMARY KEY (job_id, covered_job_id),
  KEY job_cover_covered (covered_job_id),
  CONSTRAINT job_cover_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT job_cover_covered_job FOREIGN KEY (covered_job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE remark (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  job_id VARCHAR(80) NOT NULL,
  kind ENUM('short','wrong','damaged','delay','other') NOT NULL,
  text VARCHAR(1000) NOT NULL,
  stops_work BOOLEAN NOT NULL DEFAULT FALSE,
  said_by VARCHAR(40) NOT NULL,
  said_at DATETIME NOT NULL,
  settled_at DATETIME NULL,
  settled_by VARCHAR(40) NULL,
  KEY remark_job (job_id, settled_at),
  CONSTRAINT remark_job_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB COMMENT='something is wrong, said from the bench';
