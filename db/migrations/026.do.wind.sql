-- Wind in the forecast, and the most that work outdoors may have, in metres a second.
ALTER TABLE weather_day ADD wind_ms DECIMAL(4,1) NULL AFTER high_c;
ALTER TABLE job ADD needs_max_wind_ms DECIMAL(4,1) NULL AFTER needs_metal;
