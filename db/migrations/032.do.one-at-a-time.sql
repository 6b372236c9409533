-- Every change of state raises workshop.acts first, so that changes come one after the other and each reads what the last one wrote.
ALTER TABLE workshop
  ADD acts BIGINT UNSIGNED NOT NULL DEFAULT 0 COMMENT 'changes of state so far; raised first in every transaction that writes' AFTER demo;
ALTER TABLE event
  ADD act BIGINT UNSIGNED NOT NULL DEFAULT 0 COMMENT 'which change of state it belongs to',
  ADD KEY event_act (act);

-- What an act was answered with, so that the same act sent again gets the same answer and is not done twice.
CREATE TABLE act_answer (
  user_id VARCHAR(40) NOT NULL,
  id VARCHAR(64) NOT NULL COMMENT 'made by the client',
  request CHAR(64) NOT NULL COMMENT 'SHA-256 of what was asked',
  answer LONGTEXT NOT NULL COMMENT 'JSON',
  at DATETIME(3) NOT NULL,
  PRIMARY KEY (user_id, id),
  KEY act_answer_at (at),
  CHECK (JSON_VALID(answer))
) ENGINE=InnoDB;

-- What must be there once only. Where older data hold it twice, the later one gives way first.
UPDATE build b
  JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY at_place ORDER BY at_since, id) AS n
        FROM build WHERE state = 'active' AND at_place IS NOT NULL AND at_place <> 'yard') d ON d.id = b.id AND d.n > 1
  SET b.at_place = 'yard';
ALTER TABLE build
  ADD stands_in VARCHAR(40) AS (IF(state = 'active' AND at_place <> 'yard', at_place, NULL)) VIRTUAL COMMENT 'the bay it takes up',
  ADD UNIQUE KEY build_one_a_bay (stands_in);

UPDATE build b
  JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY name ORDER BY created_at, id) AS n FROM build WHERE state = 'active') d
    ON d.id = b.id AND d.n > 1
  SET b.name = CONCAT(LEFT(b.name, 110), ' (', d.n, ')');
ALTER TABLE build
  ADD name_in_use VARCHAR(120) AS (IF(state = 'active', name, NULL)) VIRTUAL,
  ADD UNIQUE KEY build_name_in_use (name_in_use);

UPDATE record r
  JOIN (SELECT id, build_id, JSON_VALUE(data, '$.no') AS no,
          ROW_NUMBER() OVER (PARTITION BY build_id, JSON_VALUE(data, '$.no') ORDER BY said_at, id) AS n
        FROM record WHERE kind = 'penetration') d ON d.id = r.id AND d.n > 1
  JOIN (SELECT build_id, MAX(CAST(JSON_VALUE(data, '$.no') AS SIGNED)) AS most FROM record WHERE kind = 'penetration' GROUP BY build_id) m
    ON m.build_id = r.build_id
  SET r.data = JSON_SET(r.data, '$.no', m.most + 100 * (d.n - 1) + CAST(d.no AS SIGNED));
ALTER TABLE record
  ADD hole_no INT AS (IF(kind = 'penetration', CAST(JSON_VALUE(data, '$.no') AS SIGNED), NULL)) VIRTUAL COMMENT 'number of a hole in its build',
  ADD UNIQUE KEY record_hole_no (build_id, hole_no);

UPDATE supplier s
  JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY name ORDER BY retired, id) AS n FROM supplier) d ON d.id = s.id AND d.n > 1
  SET s.name = CONCAT(LEFT(s.name, 110), ' (', d.n, ')');
ALTER TABLE supplier ADD UNIQUE KEY supplier_name (name);

UPDATE bay b
  JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY name ORDER BY seq, id) AS n FROM bay WHERE NOT retired) d ON d.id = b.id AND d.n > 1
  SET b.name = CONCAT(LEFT(b.name, 110), ' (', d.n, ')');
ALTER TABLE bay
  ADD name_in_use VARCHAR(120) AS (IF(retired, NULL, name)) VIRTUAL,
  ADD UNIQUE KEY bay_name_in_use (name_in_use);

UPDATE calendar c
  JOIN (SELECT id, ROW_NUMBER() OVER (PARTITION BY name ORDER BY id = 'shop' DESC, id) AS n FROM calendar WHERE NOT retired) d
    ON d.id = c.id AND d.n > 1
  SET c.name = CONCAT(LEFT(c.name, 110), ' (', d.n, ')');
ALTER TABLE calendar
  ADD name_in_use VARCHAR(120) AS (IF(retired, NULL, name)) VIRTUAL,
  ADD UNIQUE KEY calendar_name_in_use (name_in_use);

DELETE d FROM calendar_day d JOIN calendar_day e
  ON e.calendar_id = d.calendar_id AND e.date = d.date AND e.opens <=> d.opens AND e.closes <=> d.closes AND e.id < d.id;

ALTER TABLE library_version
  ADD base INT UNSIGNED NULL COMMENT 'the version that was edited; null for the first',
  ADD UNIQUE KEY library_version_base (base);
UPDATE library_version SET base = number - 1 WHERE number > 1;

-- One stretch of work at a time for whoever does it: kept with the work, so that no two starts can both be right.
ALTER TABLE job_fitter
  ADD running TINYINT(1) NULL DEFAULT NULL COMMENT '1 while they work on it now',
  ADD UNIQUE KEY job_fitter_one_at_a_time (fitter_id, running);
UPDATE job_fitter f
  JOIN (SELECT f.job_id, f.fitter_id, ROW_NUMBER() OVER (PARTITION BY f.fitter_id ORDER BY j.running_since DESC, j.id) AS n
        FROM job_fitter f JOIN job j ON j.id = f.job_id
        WHERE j.state = 'started' AND f.freed_at IS NULL) r ON r.job_id = f.job_id AND r.fitter_id = f.fitter_id AND r.n = 1
  SET f.running = 1;
