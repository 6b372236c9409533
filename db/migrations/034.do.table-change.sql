-- Which change wrote last to each table, so that what was read of the others need not be read again.
CREATE TABLE table_change (
  name VARCHAR(64) NOT NULL PRIMARY KEY,
  acts BIGINT UNSIGNED NOT NULL COMMENT 'workshop.acts of the last change that wrote to it'
) ENGINE=InnoDB;
