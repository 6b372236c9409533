-- Every hole through the skin by number, and how clean each bare zone is, kept as a build's records.
ALTER TABLE record MODIFY kind ENUM('decision','deviation','fault','mark','item','penetration','zone') NOT NULL;
