-- What came out of a van, with its fate and where it lies, kept as a build's records.
ALTER TABLE record MODIFY kind ENUM('decision','deviation','fault','mark','item') NOT NULL;
