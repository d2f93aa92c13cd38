-- Conflicts that the person has decided to live with. Sides are what both said then: when either says
-- something else, the conflict is back.

CREATE TABLE accepted (
  conflict TEXT PRIMARY KEY,
  sides    TEXT NOT NULL,
  reason   TEXT NOT NULL,
  day      TEXT NOT NULL
) STRICT, WITHOUT ROWID;

PRAGMA user_version = 3;
