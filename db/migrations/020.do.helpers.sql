-- Who of a planned job is there for a part of it only, and when.
ALTER TABLE plan_job ADD helpers JSON NULL;
