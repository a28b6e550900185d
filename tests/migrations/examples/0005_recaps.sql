-- A database as migration 0005 left it: a site with clinched leads, and a whole-board job that was kept.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms)
VALUES ('b6', 'Board to recap', 'MK', 'dead', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'you', 6000);
INSERT INTO sites (id, board_id, ref, side, x_mm, y_mm, alloy, package, clinched)
VALUES ('s6', 'b6', 'C1', 'top', 30, 20, 'sn60pb40', '{"family":"radial","pins":2,"pitch_mm":5,"leadDiameter_mm":0.6,"holeDiameter_mm":0.9}', 1);
INSERT INTO pads (id, site_id, name, net, connections) VALUES ('s6-1', 's6', '1', 'A', '[]'), ('s6-2', 's6', '2', 'B', '[]');
INSERT INTO recaps (id, board_id, name, by, "order", site_ids, answer, at_ms)
VALUES ('rc6', 'b6', 'All capacitors', 'MK', 'area', '["s6"]', '{"modelVersion":"plan-4","sites":[],"byValue":{"by":"value","refs":[],"minutes":0,"areaVisits":0,"trays":0,"wait_min":0,"soaks":0,"mixUps":0,"heat_s":0},"byArea":{"by":"area","refs":[],"minutes":0,"areaVisits":0,"trays":0,"wait_min":0,"soaks":0,"mixUps":0,"heat_s":0},"picks":[]}', 6100);
