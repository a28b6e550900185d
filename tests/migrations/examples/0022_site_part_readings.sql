-- A database as migration 0022 left it: a capacitor that was read on its site.
INSERT INTO boards (id, name, owner, fault, tried_before, hazards, construction, waiting_for, next_action, outcome, created_at_ms, revision, finish, made_in, fixtures)
VALUES ('demo-validator-9', 'Ticket validator 9', 'RT', 'Dead. Single-sided supply board, burnt about the start-up capacitor.', 'Track bridged with a strand of wire, not insulated.', '["mains","stored-charge"]', '{"length_mm":90,"width_mm":60,"thickness_mm":1.6,"laminate":"paper-phenolic","copperLayers":[{"weight_oz":1,"coverage":0.35}]}', 'closed', '', 'scrapped', 1790612742528, 20, 'bare-or-rolled-tin', 1991, 'Heat sink bracket, one screw; earth strap back under the same screw.');
INSERT INTO sites (id, board_id, ref, value, side, x_mm, y_mm, rotation_deg, alloy, package, revision, clinched, polarity)
VALUES ('demo-validator-9-C2', 'demo-validator-9', 'C2', '47 µF 50 V', 'top', 40.0, 30.0, 0.0, 'sn60pb40', '{"family":"radial","pins":2,"pitch_mm":2.5,"leadDiameter_mm":0.5,"holeDiameter_mm":0.8,"landDiameter_mm":1.7,"bodyDiameter_mm":6.3}', 1, 0, NULL);
INSERT INTO pads (id, site_id, name, net, connections)
VALUES ('demo-validator-9-C2-1', 'demo-validator-9-C2', '1', 'VCC', '[{"kind":"track","width_mm":2,"count":1}]');
INSERT INTO pads (id, site_id, name, net, connections)
VALUES ('demo-validator-9-C2-2', 'demo-validator-9-C2', '2', 'RTN', '[{"kind":"track","width_mm":2,"count":1}]');
INSERT INTO site_part_readings (id, site_id, part, reading, verdict, reason, "by", at_ms)
VALUES ('reading-1', 'demo-validator-9-C2', '{"kind":"capacitor","technology":"aluminium","value":"47 µF 50 V"}', '{"capacitance":"41µ","esr_Ohm":1.9,"inCircuit":true}', 'doubtful', 'read in circuit', 'AO', 1790785900000);
