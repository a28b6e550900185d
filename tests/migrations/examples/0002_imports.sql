-- A database as migration 0002 left it: imports with their copper.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms)
VALUES ('b3', 'Imported board', 'MK', 'dead', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'you', 3000);
INSERT INTO sites (id, board_id, ref, side, x_mm, y_mm, alloy, package)
VALUES ('s3', 'b3', 'R1', 'top', 30, 20, 'sn60pb40', '{"family":"chip","code":"0603"}');
INSERT INTO pads (id, site_id, name, net, connections) VALUES ('s3-1', 's3', '1', 'A', '[]'), ('s3-2', 's3', '2', 'B', '[]');
INSERT INTO imports (id, board_id, by, at_ms, files, site_ids) VALUES ('i3', 'b3', 'MK', 3100, '[{"name":"x.ipc","kind":"netlist","count":2}]', '["s3"]');
INSERT INTO artworks (id, board_id, import_id, layer, file, nx, ny, coverage, cells) VALUES ('a3', 'b3', 'i3', 1, 'top.gbr', 2, 2, 0.5, x'00FF00FF');
