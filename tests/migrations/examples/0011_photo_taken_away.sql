-- A database as migration 0011 left it: a photo whose picture was taken away.
INSERT INTO boards (id, name, owner, fault, hazards, construction, finish, made_in, fixtures, waiting_for, created_at_ms)
VALUES ('b11', 'Board of which a picture went', 'MK', 'dead', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3}]}', 'unknown', NULL, '', 'you', 4000);
INSERT INTO photos (id, board_id, side, by, width_px, height_px, picture, at_ms, revision, taken_away)
VALUES ('ph11', 'b11', 'top', 'MK', 2, 2, x'', 4300, 2, '{"by":"AO","at_ms":4400,"reason":"a face in it"}');
