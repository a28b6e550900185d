-- A database as migration 0004 left it: a tool with its state, stock with moves, a workshop's step habits.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms)
VALUES ('b5', 'Board with stock', 'MK', 'dead', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'you', 5000);
INSERT INTO tools (id, name, spec, offset_k, checked_at_ms, hours, clogged)
VALUES ('gun-5', 'Gun', '{"kind":"gun","power_W":80,"setpointRange_C":[300,480],"nozzles":[{"inner_mm":1,"outer_mm":2.2}]}', -8, 4000, 30, 0.2);
INSERT INTO supplies (id, name, spec, low) VALUES ('wire-5', 'Wire 0.8', '{"kind":"wire","alloy":"sn60pb40","diameter_mm":0.8}', 5000);
INSERT INTO supply_moves (id, supply_id, change, reason, by, at_ms) VALUES ('mv5', 'wire-5', 20000, 'bought', 'MK', 5100);
INSERT INTO step_habits (method, edits, by, at_ms) VALUES ('gun', '[{"op":"hide","id":"flux"}]', 'MK', 5200);
