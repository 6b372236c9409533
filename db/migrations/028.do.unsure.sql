-- "Not sure" is a right answer before what can't be undone: somebody else answers then.
ALTER TABLE job_question ADD unsure_by VARCHAR(40) NULL COMMENT 'was not sure, so that somebody else answers';
