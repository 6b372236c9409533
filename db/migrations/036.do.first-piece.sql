-- Repeated work: the check of the first piece releases the rest. Who signed it, and what was read off it.
ALTER TABLE job
  ADD first_piece_asked TINYINT(1) NOT NULL DEFAULT 0 COMMENT 'the check of the first piece releases the rest',
  ADD first_piece_by VARCHAR(40) NULL COMMENT 'who signed the first piece',
  ADD first_piece_at DATETIME NULL,
  ADD first_piece_read VARCHAR(300) NULL COMMENT 'what was measured on it';
UPDATE job SET first_piece_asked = 1
 WHERE piece_name IN ('seat', 'frame', 'window', 'pod', 'hole', 'batten', 'block', 'box', 'card', 'reveal', 'trim', 'carcass');
-- What was counted before there was this rule is not held up by it.
UPDATE job SET first_piece_at = COALESCE(started_at, ended_at), first_piece_read = 'counted before first pieces were signed' WHERE pieces_done > 1;
