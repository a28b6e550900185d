-- A database as migration 0019 left it: a board whose label was read, and a line of resistors in the order of its value.
INSERT INTO boards (id, name, owner, fault, tried_before, hazards, construction, waiting_for, next_action, outcome, created_at_ms, revision, finish, made_in, fixtures, asks_v)
VALUES ('demo-validator-9', 'Ticket validator 9', 'RT', 'Dead.', '', '[]', '{"length_mm":90,"width_mm":60,"thickness_mm":1.6,"laminate":"paper-phenolic","copperLayers":[{"weight_oz":1,"coverage":0.35}]}', 'you', '', NULL, 1790612742528, 1, 'unknown', NULL, '', 24);
INSERT INTO stock_parts (id, kind, value, words, part, drawer, batch, low, state, because, "left", revision)
VALUES ('part-1', 'resistor', 150, '150 ω resistor', '{"kind":"resistor","value":"150"}', 'C1', '', 0, 'released', '', 12, 1);
