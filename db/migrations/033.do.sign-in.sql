-- Signing in: tries are slowed down, not locked out; sessions are listed and ended by their owner; a second factor for leads; who did what with access.
ALTER TABLE session
  ADD id VARCHAR(40) NOT NULL DEFAULT (UUID()) COMMENT 'by which its owner ends it; the token itself is never stored',
  ADD agent VARCHAR(200) NOT NULL DEFAULT '' COMMENT 'the browser, as it says',
  ADD address VARCHAR(60) NOT NULL DEFAULT '',
  ADD seen_at DATETIME NULL,
  ADD UNIQUE KEY session_id (id);

ALTER TABLE user
  ADD reset_hash VARCHAR(200) NULL COMMENT 'of a code that is good once, for choosing a new password',
  ADD reset_until DATETIME NULL,
  ADD second_secret VARCHAR(80) NULL COMMENT 'of the second factor; null: none',
  ADD second_step BIGINT NULL COMMENT 'the last time step whose code was used: no code is good twice',
  ADD CHECK ((reset_hash IS NULL) = (reset_until IS NULL));

DROP TABLE sign_in_failure;
CREATE TABLE sign_in_brake (
  who VARCHAR(190) NOT NULL PRIMARY KEY COMMENT 'login and address, login and known device, login, or address',
  tries INT UNSIGNED NOT NULL,
  last_at DATETIME(3) NOT NULL,
  open_at DATETIME(3) NOT NULL COMMENT 'no try counts before',
  KEY sign_in_brake_last (last_at)
) ENGINE=InnoDB COMMENT='wrong tries, each making the next one wait longer';

CREATE TABLE known_device (
  token_hash CHAR(64) NOT NULL,
  user_id VARCHAR(40) NOT NULL,
  seen_at DATETIME NOT NULL,
  PRIMARY KEY (token_hash, user_id),
  CONSTRAINT known_device_of FOREIGN KEY (user_id) REFERENCES user (id) ON DELETE CASCADE
) ENGINE=InnoDB COMMENT='browsers that somebody has signed in from: the tries of others don''t slow them down';

CREATE TABLE audit (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  user_id VARCHAR(40) NULL,
  kind VARCHAR(40) NOT NULL,
  text VARCHAR(300) NOT NULL,
  address VARCHAR(60) NOT NULL DEFAULT '',
  KEY audit_at (at)
) ENGINE=InnoDB COMMENT='append only: sign-ins, passwords, roles, exports, deletions';

CREATE TABLE safekeeping (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  at DATETIME(3) NOT NULL,
  kind ENUM('backup','trial') NOT NULL COMMENT 'trial: a backup restored into a scratch database',
  ok BOOLEAN NOT NULL,
  file VARCHAR(300) NOT NULL DEFAULT '',
  bytes BIGINT UNSIGNED NOT NULL DEFAULT 0,
  seconds DECIMAL(8,1) NOT NULL DEFAULT 0,
  text VARCHAR(500) NOT NULL DEFAULT '',
  KEY safekeeping_kind (kind, at)
) ENGINE=InnoDB COMMENT='backups made and tried, for the page that shows them';

CREATE TABLE launcher_turn (
  name VARCHAR(40) NOT NULL PRIMARY KEY,
  expires_at DATETIME(3) NOT NULL
) ENGINE=InnoDB COMMENT='what one launcher of several does';
