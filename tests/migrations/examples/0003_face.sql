-- A database as migration 0003 left it: readings, findings on a face, photos, groups, a library of outlines.
INSERT INTO boards (id, name, owner, fault, hazards, construction, finish, made_in, fixtures, waiting_for, created_at_ms)
VALUES ('b4', 'Board with a face', 'MK', 'dead', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'nickel-gold', 2009, 'four screws', 'you', 4000);
INSERT INTO sites (id, board_id, ref, side, x_mm, y_mm, alloy, package)
VALUES ('s4', 'b4', 'R1', 'top', 30, 20, 'sn60pb40', '{"family":"chip","code":"0603"}');
INSERT INTO pads (id, site_id, name, net, connections) VALUES ('s4-1', 's4', '1', 'A', '[]'), ('s4-2', 's4', '2', 'B', '[]');
INSERT INTO readings (id, board_id, site_id, kind, pad_id, other_pad_id, value_ohm, limit_ohm, verdict, by, at_ms)
VALUES ('rd4', 'b4', 's4', 'short', 's4-1', 's4-2', NULL, 1000, 'good', 'MK', 4100);
INSERT INTO face_findings (id, board_id, side, kind, points, state, found_as, by, at_ms)
VALUES ('ff4', 'b4', 'top', 'area', '[{"x_mm":1,"y_mm":1},{"x_mm":5,"y_mm":1},{"x_mm":5,"y_mm":5}]', 'corroded', 'as-received', 'MK', 4200);
INSERT INTO photos (id, board_id, side, by, width_px, height_px, picture, at_ms) VALUES ('ph4', 'b4', 'top', 'MK', 2, 2, x'FFD8', 4300);
INSERT INTO site_groups (id, board_id, name, site_ids) VALUES ('g4', 'b4', 'Bank', '["s4"]');
INSERT INTO library_packages (id, name, package, by, at_ms) VALUES ('lp4', 'Odd chip', '{"family":"chip","code":"0603"}', 'MK', 4400);
