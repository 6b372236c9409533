-- The hole that a bought unit asks for, as measured at goods-in; what is set out for its opening stands on it.
ALTER TABLE part_line ADD COLUMN cut_out JSON NULL COMMENT 'w, h and corner radius r in mm' AFTER note;
