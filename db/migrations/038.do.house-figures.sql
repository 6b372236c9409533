-- Figures of the house: thresholds that rules go by, where they differ from the usual ones.
ALTER TABLE workshop ADD figures JSON NOT NULL DEFAULT ('{}');
