-- A batch is whole or not there at all: what is on its way in, or was taken back, stays out of sight
-- until it is whole, or gone.

ALTER TABLE batch ADD COLUMN whole INTEGER NOT NULL DEFAULT 1;

PRAGMA user_version = 5;
