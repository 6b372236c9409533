-- Weekdays with noise hours of their own, who confirmed them and when; how much colder metal is than the air.
ALTER TABLE workshop
  ADD noise_week JSON NULL AFTER noise_to,
  ADD noise_confirmed VARCHAR(160) NOT NULL DEFAULT '' AFTER noise_week,
  ADD skin_below_c DECIMAL(3,1) NOT NULL DEFAULT 3 AFTER noise_confirmed;

-- Work on metal: its lowest temperature is that of the metal.
ALTER TABLE job ADD needs_metal TINYINT(1) NOT NULL DEFAULT 0 AFTER needs_max_temp_c;

-- A bay that is not kept warm may be heated: to what, who allows it, what an hour costs, how long before it is warm. And what a day in it costs.
ALTER TABLE bay
  ADD heat_temp_c DECIMAL(4,1) NULL AFTER temp_c,
  ADD heat_by VARCHAR(120) NOT NULL DEFAULT '' AFTER heat_temp_c,
  ADD heat_hour_cost DECIMAL(8,2) NOT NULL DEFAULT 0 AFTER heat_by,
  ADD heat_ahead_minutes SMALLINT UNSIGNED NOT NULL DEFAULT 60 AFTER heat_hour_cost,
  ADD day_cost DECIMAL(8,2) NULL AFTER heat_ahead_minutes;

-- When a bay is heated.
CREATE TABLE bay_heat (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  bay_id VARCHAR(40) NOT NULL,
  starts DATETIME NOT NULL,
  ends DATETIME NOT NULL,
  reason VARCHAR(200) NOT NULL DEFAULT '',
  KEY bay_heat_bay (bay_id, starts),
  CONSTRAINT bay_heat_of FOREIGN KEY (bay_id) REFERENCES bay (id) ON DELETE CASCADE,
  CHECK (starts < ends)
) ENGINE=InnoDB;
