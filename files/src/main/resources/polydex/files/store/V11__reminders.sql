-- Moments at which hands rested and something that the mouse had done could be named with its keys;
-- in the hours that the lot left out it was not, so that both can be compared.

CREATE TABLE reminder (
  at          INTEGER PRIMARY KEY, -- milliseconds since 1970
  setup       TEXT NOT NULL,
  environment TEXT NOT NULL,
  action      TEXT NOT NULL,
  told        INTEGER NOT NULL     -- 0 or 1
) STRICT;

PRAGMA user_version = 11;
