-- What rules of the workshop ask a job for. NULL: written down before jobs had roles; then those of the shipped job of its code.
ALTER TABLE job ADD roles JSON NULL AFTER tools;
