-- Drafts of set-out sheets are kept by the paths of the calculator's inputs: places and readings that had short names of their own.
UPDATE setout_sheet SET draft = REPLACE(REPLACE(REPLACE(REPLACE(draft,
  '"along.mode":', '"place.along.mode":'), '"along.by":', '"place.along.by":'),
  '"up.mode":', '"place.up.mode":'), '"up.by":', '"place.up.by":') WHERE calculator = 'opening';
UPDATE setout_sheet SET draft = REPLACE(REPLACE(draft,
  '"d1":', '"measuredDiagonals.d1":'), '"d2":', '"measuredDiagonals.d2":') WHERE calculator = 'opening';
UPDATE setout_sheet SET draft = REPLACE(REPLACE(REPLACE(REPLACE(draft,
  '"s1":', '"measuredSides.s1":'), '"s2":', '"measuredSides.s2":'),
  '"s3":', '"measuredSides.s3":'), '"s4":', '"measuredSides.s4":') WHERE calculator = 'opening';
UPDATE setout_sheet SET draft = REPLACE(REPLACE(draft,
  '"diagonals.a":', '"van.diagonals.a":'), '"diagonals.b":', '"van.diagonals.b":') WHERE calculator = 'bolt-pattern';
