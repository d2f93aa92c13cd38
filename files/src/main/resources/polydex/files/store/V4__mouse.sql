-- The mouse log says what was done as it was seen; what it was is found out when it is read. The same
-- few things are done again and again, so each stands once, and an event refers to it. Nothing that
-- was typed is in it.

CREATE TABLE deed (
  id          INTEGER PRIMARY KEY,
  machine     TEXT NOT NULL,
  application TEXT NOT NULL,
  device      TEXT NOT NULL CHECK (device IN ('KEYBOARD', 'MOUSE', 'TRACKPAD', 'TOUCH', 'PEN')),
  input       TEXT NOT NULL,
  target      TEXT NOT NULL,
  path        TEXT NOT NULL,
  action      TEXT NOT NULL, -- where a person has said it
  UNIQUE (machine, application, device, input, target, path, action)
) STRICT;

-- What came together, from a file or a recorder, so that it can be taken back together.
CREATE TABLE batch (
  id    INTEGER PRIMARY KEY,
  at    INTEGER NOT NULL,
  title TEXT NOT NULL
) STRICT;

-- In the order of time; the same deed at the same moment is the same event, however often it came.
CREATE TABLE event (
  at         INTEGER NOT NULL,
  deed       INTEGER NOT NULL REFERENCES deed (id),
  batch      INTEGER NOT NULL, -- 0 for what was noted by hand
  characters INTEGER NOT NULL,
  distance   REAL,
  width      REAL,
  seconds    REAL,
  PRIMARY KEY (at, deed)
) STRICT, WITHOUT ROWID;

INSERT INTO deed (machine, application, device, input, target, path, action)
SELECT DISTINCT setup, '', iif(device = 'KEYS', 'KEYBOARD', 'MOUSE'), '', '', '', action FROM use;

INSERT OR IGNORE INTO event (at, deed, batch, characters)
SELECT use.at, deed.id, 0, 0
FROM use JOIN deed ON deed.machine = use.setup AND deed.action = use.action
  AND deed.device = iif(use.device = 'KEYS', 'KEYBOARD', 'MOUSE');

DROP TABLE use;

-- What the person has said about what the mouse still does.
CREATE TABLE kept (
  setup       TEXT NOT NULL,
  environment TEXT NOT NULL,
  action      TEXT NOT NULL,
  reason      TEXT NOT NULL,
  PRIMARY KEY (setup, environment, action)
) STRICT, WITHOUT ROWID;

CREATE TABLE wish (
  setup       TEXT NOT NULL,
  environment TEXT NOT NULL,
  action      TEXT NOT NULL,
  gesture     TEXT NOT NULL,
  day         TEXT NOT NULL,
  PRIMARY KEY (setup, environment, action)
) STRICT, WITHOUT ROWID;

CREATE TABLE learnt_name (
  environment TEXT NOT NULL,
  name        TEXT NOT NULL,
  action      TEXT, -- null where it is no action
  PRIMARY KEY (environment, name)
) STRICT, WITHOUT ROWID;

PRAGMA user_version = 4;
