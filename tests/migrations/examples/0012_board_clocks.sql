-- A database as migration 0012 left it: a board whose pad cures, given longer, and a wash that was ended.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms)
VALUES ('b12', 'Board with clocks', 'MK', 'lifted pad', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'cure', 12000);
INSERT INTO board_entries (id, board_id, at_ms, by, body) VALUES
  ('c12', 'b12', 12100, 'MK', '{"kind":"clock-started","clock":"cure","what":"pad 2 of C1","siteId":null,"jobId":null,"stepId":null,"length_s":86400}'),
  ('c12m', 'b12', 12200, 'MK', '{"kind":"clock-moved","clockId":"c12","due_ms":99000000,"reason":"cold room"}'),
  ('c12w', 'b12', 12300, 'MK', '{"kind":"clock-started","clock":"wash","what":"","siteId":null,"jobId":null,"stepId":null,"length_s":900}'),
  ('c12e', 'b12', 12400, 'MK', '{"kind":"clock-ended","clockId":"c12w","reason":"the bath failed"}');
INSERT INTO board_clocks (id, board_id, kind, what, site_id, job_id, step_id, started_ms, due_ms, ended_ms) VALUES
  ('c12', 'b12', 'cure', 'pad 2 of C1', NULL, NULL, NULL, 12100, 99000000, NULL),
  ('c12w', 'b12', 'wash', '', NULL, NULL, NULL, 12300, 912300, 12400);
