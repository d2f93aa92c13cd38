-- What was taken out leaves nothing behind: deeds that no event refers to are gone, and so is the list
-- of changes, which nobody read and whose titles named what had been deleted. Events refer to deeds
-- without a constraint, which would look through all events for each deed that goes.

CREATE TABLE logged (
  at         INTEGER NOT NULL,
  deed       INTEGER NOT NULL,
  batch      INTEGER NOT NULL, -- 0 for what was noted by hand
  characters INTEGER NOT NULL,
  distance   REAL,
  width      REAL,
  seconds    REAL,
  PRIMARY KEY (at, deed)
) STRICT, WITHOUT ROWID;

INSERT INTO logged SELECT at, deed, batch, characters, distance, width, seconds FROM event
ORDER BY at, deed;
DROP TABLE event;
ALTER TABLE logged RENAME TO event;

DELETE FROM deed WHERE id NOT IN (SELECT deed FROM event);
DROP TABLE change;

PRAGMA user_version = 7;
