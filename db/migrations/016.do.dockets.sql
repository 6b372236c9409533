-- Kinds of records are declared in core from now on; since when a van stands where it stands; jobs that others had done.
ALTER TABLE record MODIFY kind VARCHAR(20) NOT NULL;
ALTER TABLE build ADD at_since DATETIME NULL COMMENT 'since when it stands there' AFTER at_place;
ALTER TABLE job ADD by_others VARCHAR(200) NULL COMMENT 'who had done it before it came to us';
ALTER TABLE record_photo ADD shows VARCHAR(40) NULL COMMENT 'what it was said to show';
