-- The path of a deed is a list of names, each of which may have any sign in it.

UPDATE deed SET path = CASE path
  WHEN '' THEN '[]'
  ELSE '[' || replace(json_quote(path), ' > ', '","') || ']'
END;

PRAGMA user_version = 6;
