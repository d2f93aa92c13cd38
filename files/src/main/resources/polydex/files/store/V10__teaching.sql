-- Answers say when the first key went down, where it was looked at; fits of the memory to the person
-- are kept with what they foretold, so that the same answers give the same states for ever.

ALTER TABLE answer ADD COLUMN first_key REAL; -- seconds from the prompt

CREATE TABLE memory_fit (
  at         INTEGER PRIMARY KEY, -- milliseconds since 1970
  parameters TEXT NOT NULL,       -- w0 to w16 with spaces between
  answers    INTEGER NOT NULL,
  held_out   INTEGER NOT NULL,
  before     REAL NOT NULL,       -- mean of -ln of the chance given to what happened, held-out answers
  after      REAL NOT NULL
) STRICT;

PRAGMA user_version = 10;
