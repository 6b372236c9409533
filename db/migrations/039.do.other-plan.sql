-- Beside the working plan another answer may stand, for the lead to choose from.
ALTER TABLE plan MODIFY kind ENUM('working','published','other') NOT NULL;
