-- Orders of the house by name: the schools of a build, kept to be compared with and used again.
CREATE TABLE house_order (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  name VARCHAR(120) NOT NULL,
  choices JSON NOT NULL,
  made_by VARCHAR(40) NOT NULL,
  made_at DATETIME NOT NULL,
  UNIQUE KEY house_order_name (name),
  CONSTRAINT house_order_by FOREIGN KEY (made_by) REFERENCES user (id)
) ENGINE=InnoDB;
