-- Days in which a part is chosen by samples before it can be ordered.
ALTER TABLE part_line ADD sample_days SMALLINT UNSIGNED NOT NULL DEFAULT 0 COMMENT 'days to see samples and to choose' AFTER cut_out;
