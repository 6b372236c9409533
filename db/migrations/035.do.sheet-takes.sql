-- What a locked sheet makes of its job can be taken back: the job keeps what it has by itself, the sheet keeps what it says.
ALTER TABLE job
  ADD own_best INT UNSIGNED NULL COMMENT 'minutes and hold without its locked sheets; null: no sheet changes them' AFTER worst_minutes,
  ADD own_likely INT UNSIGNED NULL AFTER own_best,
  ADD own_worst INT UNSIGNED NULL AFTER own_likely,
  ADD own_hold INT UNSIGNED NULL AFTER own_worst;
ALTER TABLE setout_sheet
  ADD takes LONGTEXT NULL COMMENT 'JSON: what it says of its job while it is locked',
  ADD CHECK (takes IS NULL OR JSON_VALID(takes));
-- A line of the library whose figure a locked sheet rules: how many the library asked for.
ALTER TABLE part_line
  ADD own_quantity DECIMAL(10,2) NULL COMMENT 'before a sheet ruled it; null: no sheet does' AFTER quantity;
