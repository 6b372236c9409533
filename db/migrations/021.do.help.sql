-- Who of those on a job is there for a part of it only, and when they were free again.
ALTER TABLE job_fitter
  ADD COLUMN helper TINYINT(1) NOT NULL DEFAULT 0,
  ADD COLUMN freed_at DATETIME NULL;
