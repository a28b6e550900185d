-- A database as migration 0000 left it, with one row of everything.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, next_action, created_at_ms)
VALUES ('b1', 'Old board', 'MK', 'dead', '["mains"]', '{"length_mm":100,"width_mm":80,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'you', 'Plan C1', 1000);
INSERT INTO tools (id, name, spec) VALUES ('t1', 'Iron', '{"kind":"iron","power_W":60,"setpointRange_C":[200,450],"tips":[{"shape":"chisel","width_mm":2.4,"construction":"cartridge"}]}');
INSERT INTO sites (id, board_id, ref, side, x_mm, y_mm, alloy, package)
VALUES ('s1', 'b1', 'C1', 'top', 50, 40, 'sn60pb40', '{"family":"radial","pins":2,"pitch_mm":5,"leadDiameter_mm":0.6,"holeDiameter_mm":0.9}');
INSERT INTO pads (id, site_id, name, net, connections) VALUES ('s1-1', 's1', '1', 'A', '[{"kind":"track","width_mm":0.4,"count":1}]');
INSERT INTO pads (id, site_id, name, net, connections) VALUES ('s1-2', 's1', '2', 'GND', '[]');
INSERT INTO findings (id, board_id, site_id, pad_id, state, found_as, by, at_ms) VALUES ('f1', 'b1', 's1', 's1-1', 'dull', 'as-received', 'MK', 1100);
