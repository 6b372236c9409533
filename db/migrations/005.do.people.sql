-- Who may do what, and who did what when.
CREATE TABLE user (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  login VARCHAR(60) NOT NULL,
  name VARCHAR(120) NOT NULL,
  role ENUM('lead','fitter') NOT NULL,
  fitter_id VARCHAR(40) NULL,
  password_hash VARCHAR(200) NOT NULL,
  retired BOOLEAN NOT NULL DEFAULT FALSE,
  version INT UNSIGNED NOT NULL DEFAULT 1,
  UNIQUE KEY user_login (login),
  CONSTRAINT user_fitter FOREIGN KEY (fitter_id) REFERENCES fitter (id),
  CHECK (role = 'lead' OR fitter_id IS NOT NULL)
) ENGINE=InnoDB;

CREATE TABLE session (
  token_hash CHAR(64) NOT NULL PRIMARY KEY,
  user_id VARCHAR(40) NOT NULL,
  created_at DATETIME NOT NULL,
  expires_at DATETIME NOT NULL,
  KEY session_user (user_id),
  KEY session_expiry (expires_at),
  CONSTRAINT session_of FOREIGN KEY (user_id) REFERENCES user (id) ON DELETE CASCADE
) ENGINE=InnoDB;

CREATE TABLE sign_in_failure (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  who VARCHAR(120) NOT NULL COMMENT 'login, or address of the caller',
  failed_at DATETIME(3) NOT NULL,
  KEY sign_in_failure_who (who, failed_at)
) ENGINE=InnoDB;

CREATE TABLE event (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  user_id VARCHAR(40) NULL,
  kind VARCHAR(60) NOT NULL,
  entity VARCHAR(40) NOT NULL,
  entity_id VARCHAR(120) NOT NULL,
  build_id VARCHAR(60) NULL,
  text VARCHAR(500) NOT NULL,
  data JSON NOT NULL,
  KEY event_at (at),
  KEY event_entity (entity, entity_id),
  KEY event_build (build_id, at)
) ENGINE=InnoDB COMMENT='append only: one row for each change of state';
