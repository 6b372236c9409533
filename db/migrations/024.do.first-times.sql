-- Whether the plan counts more minutes where a job is a first or second time for all who are to do it.
ALTER TABLE workshop ADD first_times TINYINT(1) NOT NULL DEFAULT 1 AFTER skin_below_c;
