-- What happened to actions, platforms and applications that older rows name: they were joined, taken
-- apart, moved and renamed. Answers and deeds stay as they were written.

CREATE TABLE successor (
  position INTEGER PRIMARY KEY,
  body     TEXT NOT NULL
) STRICT;

PRAGMA user_version = 9;
