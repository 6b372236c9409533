-- What belongs into the box of a unit that a cut waits for: the cut stays locked until each line was looked at.
ALTER TABLE part_line ADD contents JSON NOT NULL DEFAULT ('[]') COMMENT 'expected lines of its box';
UPDATE part_line p JOIN job j ON j.id = p.job_id
   SET p.contents = '["unit, the right one, whole", "frame or ring", "fixings by bag", "cut-out template", "manual"]'
 WHERE j.irreversible = 'cut' AND j.state = 'todo' AND p.name REGEXP 'fan|skylight|window|pods|inlet|filler|tank';
