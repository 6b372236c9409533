-- Machines are booked like people: hours of their own, hired for some days, so much floor, somebody at the outfeed, a price an hour.
ALTER TABLE tool
  ADD opens CHAR(5) NULL COMMENT 'null: at any hour',
  ADD closes CHAR(5) NULL,
  ADD had_from DATE NULL COMMENT 'hired or shared: not there before',
  ADD had_until DATE NULL COMMENT 'the last day it is there',
  ADD floor_mm INT NULL COMMENT 'clear floor along the cut, machine included',
  ADD length_mm INT NULL COMMENT 'the machine itself; null: the usual',
  ADD outfeed_mm INT NULL COMMENT 'boards longer than this take somebody at the outfeed',
  ADD hour_cost DECIMAL(8,2) NULL,
  ADD CHECK ((opens IS NULL) = (closes IS NULL)),
  ADD CHECK (opens IS NULL OR opens < closes),
  ADD CHECK (had_from IS NULL OR had_until IS NULL OR had_from <= had_until);
