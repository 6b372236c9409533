-- Holes, rust and damage with their place on the van's drawing and photos, kept as a build's records.
ALTER TABLE record MODIFY kind ENUM('decision','deviation','fault','mark') NOT NULL;

CREATE TABLE record_photo (
  record_id VARCHAR(40) NOT NULL,
  sha256 CHAR(64) NOT NULL,
  taken_by VARCHAR(40) NOT NULL,
  taken_at DATETIME NOT NULL,
  PRIMARY KEY (record_id, sha256),
  CONSTRAINT record_photo_of FOREIGN KEY (record_id) REFERENCES record (id) ON DELETE CASCADE,
  CONSTRAINT record_photo_bytes FOREIGN KEY (sha256) REFERENCES photo_data (sha256)
) ENGINE=InnoDB;
