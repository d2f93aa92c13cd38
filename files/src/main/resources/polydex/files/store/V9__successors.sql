-- What happened to actions that older rows name: one went into another, or became an action of its own
-- in one environment. Answers and deeds stay as they were written.

CREATE TABLE successor (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT;

PRAGMA user_version = 9;
