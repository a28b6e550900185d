-- A database as migration 0015 left it: a channel that was named, put on a land and held against a reference.
INSERT INTO instrument_channels (instrument, channel, name, place, offset_k, checked_at_ms, "by", at_ms, revision)
VALUES ('tc-logger', 'tc1', 'Thin wire', 'land', -1.2, 1790700000000, 'MK', 1790700001000, 2);
