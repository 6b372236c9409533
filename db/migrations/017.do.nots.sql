-- What a fitter is not to do, whatever the skills.
ALTER TABLE fitter ADD nots JSON NOT NULL DEFAULT '[]';
