-- Time that nobody could use: an absence with what it was lost to, and how many open minutes it took.
ALTER TABLE absence
  ADD COLUMN lost_to VARCHAR(20) NULL,
  ADD COLUMN lost_minutes INT NULL;
