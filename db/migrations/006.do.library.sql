-- The job library's versions; what a build chose, asked, decided, deviated in, found faulty; what a job may leave behind.
ALTER TABLE workshop
  ADD COLUMN hour_rate DECIMAL(8,2) NOT NULL DEFAULT 55 COMMENT 'cost of an hour of work',
  ADD COLUMN currency VARCHAR(8) NOT NULL DEFAULT '€',
  ADD COLUMN house JSON NOT NULL DEFAULT '{}' COMMENT 'the house''s own answers to choices, where they differ from the shipped ones';

CREATE TABLE library_version (
  number INT UNSIGNED NOT NULL PRIMARY KEY,
  kind ENUM('shipped','workshop') NOT NULL,
  hash CHAR(64) NOT NULL COMMENT 'SHA-256 of jobs',
  jobs LONGTEXT NOT NULL COMMENT 'the whole library as JSON',
  note VARCHAR(300) NOT NULL DEFAULT '',
  made_at DATETIME(3) NOT NULL,
  made_by VARCHAR(40) NULL,
  KEY library_version_hash (hash),
  CHECK (JSON_VALID(jobs))
) ENGINE=InnoDB COMMENT='every state the library has been in; the newest is in use';

ALTER TABLE build
  ADD COLUMN library_version INT UNSIGNED NULL COMMENT 'the library it was made with',
  ADD COLUMN open_choices JSON NOT NULL DEFAULT '[]' COMMENT 'choices that the client has not made yet',
  ADD CONSTRAINT build_library FOREIGN KEY (library_version) REFERENCES library_version (number);

ALTER TABLE job
  ADD COLUMN means JSON NOT NULL DEFAULT '[]' COMMENT 'what the chosen schools mean for it',
  ADD COLUMN tools JSON NOT NULL DEFAULT '[]',
  ADD COLUMN irreversible VARCHAR(20) NULL,
  ADD COLUMN piece_name VARCHAR(60) NULL,
  ADD COLUMN pieces SMALLINT UNSIGNED NULL,
  ADD COLUMN pieces_done SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  ADD COLUMN time_box DECIMAL(4,2) NOT NULL DEFAULT 2 COMMENT 'times likely; worked longer, it asks for a decision',
  ADD COLUMN set_out JSON NOT NULL DEFAULT '[]',
  ADD COLUMN faults JSON NOT NULL DEFAULT '[]' COMMENT 'fault cards it knows',
  ADD COLUMN undecided JSON NOT NULL DEFAULT '[]' COMMENT 'open choices of the client that would make it another job',
  ADD COLUMN leaves JSON NOT NULL DEFAULT '[]' COMMENT 'what it may leave behind, and before which job that has to be closed',
  ADD CHECK ((pieces IS NULL) = (piece_name IS NULL)),
  ADD CHECK (pieces IS NULL OR pieces_done <= pieces);

ALTER TABLE job_step
  ADD COLUMN does VARCHAR(20) NULL,
  ADD COLUMN waived_why VARCHAR(300) NULL COMMENT 'left out, by the name in done_by';

ALTER TABLE part_line
  ADD COLUMN price DECIMAL(10,2) NOT NULL DEFAULT 0 COMMENT 'of one unit; 0 when unknown';

CREATE TABLE job_question (
  job_id VARCHAR(80) NOT NULL,
  n TINYINT UNSIGNED NOT NULL,
  text VARCHAR(300) NOT NULL,
  answered_at DATETIME NULL,
  answered_by VARCHAR(40) NULL,
  PRIMARY KEY (job_id, n),
  CONSTRAINT job_question_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CHECK ((answered_at IS NULL) = (answered_by IS NULL))
) ENGINE=InnoDB COMMENT='asked before what can''t be undone';

CREATE TABLE remainder (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  job_id VARCHAR(80) NOT NULL,
  text VARCHAR(300) NOT NULL,
  before_job_id VARCHAR(80) NULL COMMENT 'must not start while this is open',
  owner_id VARCHAR(40) NULL,
  said_by VARCHAR(40) NOT NULL,
  said_at DATETIME NOT NULL,
  closed_at DATETIME NULL,
  closed_by VARCHAR(40) NULL,
  KEY remainder_job (job_id, closed_at),
  KEY remainder_before (before_job_id, closed_at),
  CONSTRAINT remainder_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT remainder_before_job FOREIGN KEY (before_job_id) REFERENCES job (id) ON DELETE SET NULL,
  CONSTRAINT remainder_owner FOREIGN KEY (owner_id) REFERENCES fitter (id)
) ENGINE=InnoDB COMMENT='what a job is done but for';

CREATE TABLE record (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  build_id VARCHAR(60) NOT NULL,
  job_id VARCHAR(80) NULL,
  kind ENUM('decision','deviation','fault') NOT NULL,
  title VARCHAR(300) NOT NULL,
  data JSON NOT NULL,
  said_by VARCHAR(40) NOT NULL,
  said_at DATETIME NOT NULL,
  closed_at DATETIME NULL,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  KEY record_build (build_id, kind, said_at),
  CONSTRAINT record_build_of FOREIGN KEY (build_id) REFERENCES build (id) ON DELETE CASCADE,
  CONSTRAINT record_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE SET NULL
) ENGINE=InnoDB;

CREATE TABLE van_reading (
  build_id VARCHAR(60) NOT NULL,
  name VARCHAR(60) NOT NULL COMMENT 'which size of the template',
  mm INT UNSIGNED NOT NULL,
  again_mm INT UNSIGNED NULL COMMENT 'read a second time, from the other end',
  read_by VARCHAR(40) NOT NULL,
  read_at DATETIME NOT NULL,
  PRIMARY KEY (build_id, name),
  CONSTRAINT van_reading_of FOREIGN KEY (build_id) REFERENCES build (id) ON DELETE CASCADE
) ENGINE=InnoDB COMMENT='the real van as measured at check-in';

CREATE TABLE build_draft (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  user_id VARCHAR(40) NOT NULL,
  data JSON NOT NULL,
  updated_at DATETIME NOT NULL,
  KEY build_draft_user (user_id, updated_at),
  CONSTRAINT build_draft_of FOREIGN KEY (user_id) REFERENCES user (id) ON DELETE CASCADE
) ENGINE=InnoDB COMMENT='a build that is being added, to go on with later';

CREATE TABLE tool (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(60) NOT NULL COMMENT 'as jobs name it',
  pieces TINYINT UNSIGNED NOT NULL DEFAULT 1 COMMENT 'how many there are',
  state ENUM('sound','blunt','broken','lent') NOT NULL DEFAULT 'sound',
  note VARCHAR(200) NOT NULL DEFAULT '',
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY tool_name (name),
  CHECK (pieces >= 1)
) ENGINE=InnoDB COMMENT='shared tools that jobs book';
