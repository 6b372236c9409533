-- Parts and their suppliers; proof shots, photos (in the database, keyed by content) and their reviews.
CREATE TABLE supplier (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  lead_best_days SMALLINT UNSIGNED NOT NULL DEFAULT 1,
  lead_likely_days SMALLINT UNSIGNED NOT NULL DEFAULT 3,
  lead_worst_days SMALLINT UNSIGNED NOT NULL DEFAULT 10,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  CHECK (lead_best_days <= lead_likely_days AND lead_likely_days <= lead_worst_days)
) ENGINE=InnoDB;

CREATE TABLE part_line (
  id VARCHAR(100) NOT NULL PRIMARY KEY,
  job_id VARCHAR(80) NOT NULL,
  name VARCHAR(160) NOT NULL,
  quantity DECIMAL(10,2) NOT NULL DEFAULT 1,
  unit VARCHAR(20) NOT NULL DEFAULT 'pc',
  supplier_id VARCHAR(40) NOT NULL,
  state ENUM('needed','ordered','promised','arrived','checked','wrong') NOT NULL DEFAULT 'needed',
  promised_at DATETIME NULL COMMENT 'when the supplier says it comes',
  first_promised_at DATETIME NULL COMMENT 'the first promise, to see slips by',
  arrived_at DATETIME NULL,
  checked_at DATETIME NULL,
  shelf VARCHAR(60) NOT NULL DEFAULT '',
  note VARCHAR(500) NOT NULL DEFAULT '',
  version INT UNSIGNED NOT NULL DEFAULT 1,
  KEY part_line_job (job_id),
  KEY part_line_state (state, promised_at),
  CONSTRAINT part_line_job_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT part_line_supplier FOREIGN KEY (supplier_id) REFERENCES supplier (id),
  CHECK (quantity > 0),
  CHECK (state <> 'promised' OR promised_at IS NOT NULL)
) ENGINE=InnoDB;

CREATE TABLE proof_shot (
  id VARCHAR(100) NOT NULL PRIMARY KEY,
  job_id VARCHAR(80) NOT NULL,
  n TINYINT UNSIGNED NOT NULL,
  text VARCHAR(200) NOT NULL,
  before_close_up BOOLEAN NOT NULL DEFAULT TRUE,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY proof_shot_of_job (job_id, n),
  CONSTRAINT proof_shot_job FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE photo_data (
  sha256 CHAR(64) NOT NULL PRIMARY KEY,
  mime VARCHAR(40) NOT NULL,
  width INT UNSIGNED NOT NULL,
  height INT UNSIGNED NOT NULL,
  bytes MEDIUMBLOB NOT NULL,
  small MEDIUMBLOB NOT NULL COMMENT 'at most 480 px, for lists'
) ENGINE=InnoDB;

CREATE TABLE photo (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  proof_shot_id VARCHAR(100) NOT NULL,
  sha256 CHAR(64) NOT NULL,
  taken_by VARCHAR(40) NOT NULL,
  taken_at DATETIME NOT NULL,
  KEY photo_shot (proof_shot_id, taken_at),
  CONSTRAINT photo_of_shot FOREIGN KEY (proof_shot_id) REFERENCES proof_shot (id) ON DELETE CASCADE,
  CONSTRAINT photo_bytes FOREIGN KEY (sha256) REFERENCES photo_data (sha256)
) ENGINE=InnoDB;

CREATE TABLE photo_review (
  photo_id VARCHAR(40) NOT NULL PRIMARY KEY,
  verdict ENUM('approved','again') NOT NULL,
  reason VARCHAR(300) NOT NULL DEFAULT '',
  reviewed_by VARCHAR(40) NOT NULL,
  reviewed_at DATETIME NOT NULL,
  CONSTRAINT photo_review_of FOREIGN KEY (photo_id) REFERENCES photo (id) ON DELETE CASCADE,
  CHECK (verdict = 'approved' OR reason <> '')
) ENGINE=InnoDB;
