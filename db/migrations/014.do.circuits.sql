-- Circuits that were added to a van, dead before anything sparks near them, kept as a build's records.
ALTER TABLE record MODIFY kind ENUM('decision','deviation','fault','mark','item','penetration','zone','circuit') NOT NULL;
