-- What was planned of bindings and remaps of one's own, and which steps of change sheets are done.

CREATE TABLE own_binding (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE remap_draft (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT, WITHOUT ROWID;

CREATE TABLE ticked (
  computer TEXT NOT NULL,
  platform TEXT NOT NULL,
  step     TEXT NOT NULL,
  PRIMARY KEY (computer, platform, step)
) STRICT, WITHOUT ROWID;

PRAGMA user_version = 8;
