-- Points of a type of van that have leaked once: the next van of the type starts with them.
CREATE TABLE weep_point (
  van_id VARCHAR(40) NOT NULL,
  side ENUM('roof','left','right','rear','floor') NOT NULL,
  title VARCHAR(200) NOT NULL COMMENT 'fastener, seam or plug',
  place VARCHAR(300) NOT NULL,
  found VARCHAR(200) NOT NULL COMMENT 'on which build',
  PRIMARY KEY (van_id, side, title)
) ENGINE=InnoDB COMMENT='factory points that weep, by type of van';
