-- Tools that stay with the work until what they press has bonded: clamps, weights, straps, props.
ALTER TABLE tool ADD COLUMN held TINYINT(1) NOT NULL DEFAULT 0;
UPDATE tool SET held = 1 WHERE name IN ('clamps', 'weights', 'straps', 'props');
