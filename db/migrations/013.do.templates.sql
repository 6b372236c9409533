-- Templates and jigs by number, for one type of van and one side, and which one a fitter had in hand for a job.
CREATE TABLE template (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  number VARCHAR(20) NOT NULL COMMENT 'written on it',
  van_id VARCHAR(40) NOT NULL,
  kind ENUM('template','jig','pressing','outline') NOT NULL COMMENT 'pressing: follow the van''s own; outline: traced from a part that came out',
  what VARCHAR(120) NOT NULL COMMENT 'the unit it is for, or the part it was traced from',
  side ENUM('roof','left','right','rear','floor') NOT NULL,
  bay VARCHAR(40) NOT NULL DEFAULT '' COMMENT 'rib bay',
  mark ENUM('up','front','outside') NOT NULL,
  serves VARCHAR(10) NOT NULL DEFAULT '' COMMENT 'code of the job an outline is for',
  offsets VARCHAR(300) NOT NULL DEFAULT '' COMMENT 'from the holes a jig hangs on',
  note VARCHAR(300) NOT NULL DEFAULT '',
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY template_number (number)
) ENGINE=InnoDB COMMENT='templates, jigs and traced outlines';

CREATE TABLE job_template (
  job_id VARCHAR(80) NOT NULL PRIMARY KEY,
  template_id VARCHAR(40) NOT NULL,
  ticked_by VARCHAR(40) NOT NULL,
  ticked_at DATETIME NOT NULL,
  CONSTRAINT job_template_of FOREIGN KEY (job_id) REFERENCES job (id) ON DELETE CASCADE,
  CONSTRAINT job_template_which FOREIGN KEY (template_id) REFERENCES template (id)
) ENGINE=InnoDB COMMENT='the template in hand, read off before marking';
