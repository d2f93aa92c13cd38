-- Answers say how they were asked, whether their time counts and against what, and whose gesture was
-- pressed by mistake. What older answers did not say is taken as usual: asked to do it, uninterrupted.

CREATE TABLE answered (
  id                   INTEGER PRIMARY KEY,
  at                   INTEGER NOT NULL,
  environment          TEXT NOT NULL,
  action               TEXT NOT NULL,
  kind                 TEXT NOT NULL CHECK (kind IN ('DO', 'SAY', 'CHAIN', 'CONTRAST', 'SPRINT')),
  verdict              TEXT NOT NULL CHECK (verdict IN ('RIGHT', 'CORRECTED', 'WRONG', 'HINTED', 'TIMED_OUT')),
  seconds              REAL NOT NULL,
  time_counts          INTEGER NOT NULL,
  expected             REAL, -- seconds; none where the usual pace was meant
  asked                TEXT NOT NULL,
  pressed              TEXT NOT NULL,
  mistaken_environment TEXT,
  mistaken_action      TEXT
) STRICT;

INSERT INTO answered (id, at, environment, action, kind, verdict, seconds, time_counts, asked, pressed)
SELECT id, at, environment, action, 'DO', verdict, seconds, 1, asked, pressed FROM answer;

DROP TABLE answer;
ALTER TABLE answered RENAME TO answer;
CREATE INDEX answer_at ON answer (at);
CREATE INDEX answer_item ON answer (environment, action);

-- What the person has said about learning an item.
CREATE TABLE learning (
  environment TEXT NOT NULL,
  action      TEXT NOT NULL,
  said        TEXT NOT NULL CHECK (said IN ('MARKED', 'PUT_OFF', 'DROPPED')),
  until       TEXT, -- a date, for what was put off
  PRIMARY KEY (environment, action)
) STRICT, WITHOUT ROWID;

PRAGMA user_version = 2;
