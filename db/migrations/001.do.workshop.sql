-- The workshop itself: settings, calendars, bays, people. Times are UTC; local rules (calendars) keep wall time.
CREATE TABLE workshop (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  zone VARCHAR(60) NOT NULL,
  latitude DECIMAL(8,5) NOT NULL,
  longitude DECIMAL(8,5) NOT NULL,
  units ENUM('mm','inch') NOT NULL DEFAULT 'mm',
  noise_from CHAR(5) NULL,
  noise_to CHAR(5) NULL,
  yard_places SMALLINT UNSIGNED NOT NULL,
  yard_has JSON NOT NULL,
  yard_work BOOLEAN NOT NULL DEFAULT TRUE,
  shunt_minutes SMALLINT UNSIGNED NOT NULL DEFAULT 20,
  goods_in_minutes SMALLINT UNSIGNED NOT NULL DEFAULT 60,
  horizon_days SMALLINT UNSIGNED NOT NULL DEFAULT 240,
  weights JSON NOT NULL,
  demo BOOLEAN NOT NULL DEFAULT FALSE,
  changes INT UNSIGNED NOT NULL DEFAULT 0 COMMENT 'changes so far that a plan has to know',
  planned_changes INT UNSIGNED NOT NULL DEFAULT 0 COMMENT 'how many of them the working plan knows',
  stale_why VARCHAR(300) NULL COMMENT 'the first change it does not know',
  version INT UNSIGNED NOT NULL DEFAULT 1,
  CHECK ((noise_from IS NULL) = (noise_to IS NULL)),
  CHECK (horizon_days BETWEEN 7 AND 1500)
) ENGINE=InnoDB;

CREATE TABLE calendar (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1
) ENGINE=InnoDB;

CREATE TABLE calendar_window (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  calendar_id VARCHAR(40) NOT NULL,
  weekday TINYINT UNSIGNED NOT NULL COMMENT '0 Monday to 6 Sunday',
  opens CHAR(5) NOT NULL,
  closes CHAR(5) NOT NULL,
  KEY calendar_window_calendar (calendar_id, weekday),
  CONSTRAINT calendar_window_of FOREIGN KEY (calendar_id) REFERENCES calendar (id) ON DELETE CASCADE,
  CHECK (weekday <= 6),
  CHECK (opens < closes)
) ENGINE=InnoDB;

CREATE TABLE calendar_day (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  calendar_id VARCHAR(40) NOT NULL,
  date DATE NOT NULL,
  opens CHAR(5) NULL COMMENT 'null: closed all day',
  closes CHAR(5) NULL,
  overtime BOOLEAN NOT NULL DEFAULT FALSE,
  reason VARCHAR(200) NOT NULL DEFAULT '',
  KEY calendar_day_calendar (calendar_id, date),
  CONSTRAINT calendar_day_of FOREIGN KEY (calendar_id) REFERENCES calendar (id) ON DELETE CASCADE,
  CHECK ((opens IS NULL) = (closes IS NULL)),
  CHECK (opens IS NULL OR opens < closes)
) ENGINE=InnoDB;

CREATE TABLE bay (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  seq SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  calendar_id VARCHAR(40) NULL,
  has JSON NOT NULL,
  temp_c DECIMAL(4,1) NULL,
  max_height_mm INT UNSIGNED NULL,
  max_length_mm INT UNSIGNED NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  CONSTRAINT bay_calendar FOREIGN KEY (calendar_id) REFERENCES calendar (id),
  CHECK (id NOT IN ('yard', 'bench'))
) ENGINE=InnoDB;

CREATE TABLE bay_closure (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  bay_id VARCHAR(40) NOT NULL,
  starts DATETIME NOT NULL,
  ends DATETIME NOT NULL,
  reason VARCHAR(200) NOT NULL DEFAULT '',
  KEY bay_closure_bay (bay_id, starts),
  CONSTRAINT bay_closure_of FOREIGN KEY (bay_id) REFERENCES bay (id) ON DELETE CASCADE,
  CHECK (starts < ends)
) ENGINE=InnoDB;

CREATE TABLE fitter (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  calendar_id VARCHAR(40) NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  CONSTRAINT fitter_calendar FOREIGN KEY (calendar_id) REFERENCES calendar (id)
) ENGINE=InnoDB;

CREATE TABLE fitter_skill (
  fitter_id VARCHAR(40) NOT NULL,
  skill VARCHAR(40) NOT NULL,
  level TINYINT UNSIGNED NOT NULL,
  PRIMARY KEY (fitter_id, skill),
  CONSTRAINT fitter_skill_of FOREIGN KEY (fitter_id) REFERENCES fitter (id) ON DELETE CASCADE,
  CHECK (level BETWEEN 1 AND 3)
) ENGINE=InnoDB;

CREATE TABLE fitter_ticket (
  fitter_id VARCHAR(40) NOT NULL,
  ticket VARCHAR(40) NOT NULL,
  until DATE NULL,
  PRIMARY KEY (fitter_id, ticket),
  CONSTRAINT fitter_ticket_of FOREIGN KEY (fitter_id) REFERENCES fitter (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE absence (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  fitter_id VARCHAR(40) NOT NULL,
  starts DATETIME NOT NULL,
  ends DATETIME NOT NULL,
  reason VARCHAR(200) NOT NULL DEFAULT '',
  KEY absence_fitter (fitter_id, starts),
  CONSTRAINT absence_of FOREIGN KEY (fitter_id) REFERENCES fitter (id) ON DELETE CASCADE,
  CHECK (starts < ends)
) ENGINE=InnoDB;

CREATE TABLE weather_day (
  date DATE NOT NULL PRIMARY KEY,
  sunrise CHAR(5) NOT NULL,
  sunset CHAR(5) NOT NULL,
  dry JSON NOT NULL,
  low_c DECIMAL(4,1) NOT NULL,
  high_c DECIMAL(4,1) NOT NULL,
  fetched_at DATETIME NOT NULL,
  CHECK (low_c <= high_c)
) ENGINE=InnoDB;
