-- A Polydex file. Times are milliseconds since 1970 in UTC; bodies are JSON as docs/formats.md says.

CREATE TABLE setting (
  name  TEXT PRIMARY KEY,
  value TEXT NOT NULL
) STRICT;

CREATE TABLE action (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  title    TEXT NOT NULL,
  in_group TEXT NOT NULL,
  words    TEXT NOT NULL, -- one a line
  harm     TEXT NOT NULL CHECK (harm IN ('VISIBLE', 'LOSES_WORK')),
  opposite TEXT,
  toggles  INTEGER NOT NULL
) STRICT;

CREATE TABLE environment (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT;

CREATE TABLE binding (
  environment TEXT NOT NULL REFERENCES environment (id),
  id          TEXT NOT NULL,
  position    INTEGER NOT NULL,
  action      TEXT NOT NULL REFERENCES action (id),
  gesture     TEXT NOT NULL,
  context     TEXT NOT NULL,
  since       TEXT,
  until       TEXT,
  option      TEXT,
  opens       TEXT,
  note        TEXT NOT NULL,
  caveat      TEXT NOT NULL,
  hook        TEXT NOT NULL,
  fixed       INTEGER NOT NULL,
  device      TEXT,
  changed     INTEGER NOT NULL,
  PRIMARY KEY (environment, id)
) STRICT, WITHOUT ROWID;

CREATE INDEX binding_action ON binding (action);
CREATE INDEX binding_changed ON binding (changed);

CREATE TABLE board (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT;

CREATE TABLE layout (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT;

CREATE TABLE setup (
  id       TEXT PRIMARY KEY,
  position INTEGER NOT NULL,
  body     TEXT NOT NULL
) STRICT;

-- What was learnt while lists were brought in: meant titles, columns, what came from which list, and
-- keymap files as they were read.
CREATE TABLE remembered (
  kind TEXT NOT NULL CHECK (kind IN ('title', 'columns', 'list', 'document')),
  name TEXT NOT NULL,
  body TEXT NOT NULL,
  PRIMARY KEY (kind, name)
) STRICT, WITHOUT ROWID;

CREATE TABLE change (
  id    INTEGER PRIMARY KEY,
  at    INTEGER NOT NULL,
  title TEXT NOT NULL
) STRICT;

-- The two logs are history: they keep what was done with actions that have gone since, so they
-- refer to nothing.
CREATE TABLE answer (
  id          INTEGER PRIMARY KEY,
  at          INTEGER NOT NULL,
  environment TEXT NOT NULL,
  action      TEXT NOT NULL,
  verdict     TEXT NOT NULL CHECK (verdict IN ('RIGHT', 'WRONG', 'HINTED')),
  seconds     REAL NOT NULL,
  asked       TEXT NOT NULL,
  pressed     TEXT NOT NULL
) STRICT;

CREATE TABLE use (
  id     INTEGER PRIMARY KEY,
  at     INTEGER NOT NULL,
  action TEXT NOT NULL,
  device TEXT NOT NULL CHECK (device IN ('KEYS', 'POINTER')),
  setup  TEXT NOT NULL
) STRICT;

CREATE INDEX answer_at ON answer (at);
CREATE INDEX use_at ON use (at);

PRAGMA application_id = 1347175512;
PRAGMA user_version = 1;
