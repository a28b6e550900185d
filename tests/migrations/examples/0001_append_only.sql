-- A database as migration 0001 left it: findings and run events are now append-only.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms)
VALUES ('b2', 'Later board', 'AO', 'noisy', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"paper-phenolic","copperLayers":[{"weight_oz":1,"coverage":0.3}]}', 'owner', 2000);
