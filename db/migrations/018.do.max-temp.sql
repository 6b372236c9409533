-- Some products are not for the heat either.
ALTER TABLE job ADD needs_max_temp_c DECIMAL(4,1) NULL AFTER needs_min_temp_c;
