-- Conflicts that the person has decided to live with. Sides are what both said then: when either says
-- something else, the conflict is back.

CREATE TABLE accepted (
  conflict TEXT PRIMARY KEY,
  sides    TEXT NOT NULL,
  reason   TEXT NOT NULL,
  day      TEXT NOT NULL
) STRICT, WITHOUT ROWID;

-- When conflicts of setups came and went, by days; gone is null while it is there. The words are what
-- was said of it then, since what it was about may be gone.
CREATE TABLE sighting (
  conflict    TEXT NOT NULL,
  since       TEXT NOT NULL,
  gone        TEXT,
  setup       TEXT NOT NULL,
  kind        TEXT NOT NULL,
  environment TEXT NOT NULL,
  gesture     TEXT NOT NULL,
  words       TEXT NOT NULL,
  PRIMARY KEY (conflict, since)
) STRICT, WITHOUT ROWID;

PRAGMA user_version = 3;
