-- A database as migration 0006 left it: a signed capacitor, a finding taken back, and entries of a board as a whole.
INSERT INTO boards (id, name, owner, fault, hazards, construction, waiting_for, created_at_ms)
VALUES ('b7', 'Board with entries', 'MK', 'dead', '[]', '{"length_mm":60,"width_mm":40,"thickness_mm":1.6,"laminate":"fr4-standard","copperLayers":[{"weight_oz":1,"coverage":0.3},{"weight_oz":1,"coverage":0.4}]}', 'answer', 7000);
INSERT INTO sites (id, board_id, ref, side, x_mm, y_mm, alloy, package, clinched, polarity)
VALUES ('s7', 'b7', 'C1', 'top', 30, 20, 'sn60pb40', '{"family":"radial","pins":2,"pitch_mm":5,"leadDiameter_mm":0.6,"holeDiameter_mm":0.9}', 0, '{"part":"minus-stripe","plusPad":"1","board":{"mark":"filled-half","pad":"2"}}');
INSERT INTO pads (id, site_id, name, net, connections) VALUES ('s7-1', 's7', '1', 'A', '[]'), ('s7-2', 's7', '2', 'B', '[]');
INSERT INTO findings (id, board_id, site_id, pad_id, state, found_as, note, by, at_ms)
VALUES ('f7', 'b7', 's7', 's7-1', 'flaked', 'done-here', '', 'MK', 7100);
INSERT INTO findings (id, board_id, site_id, pad_id, state, found_as, note, by, at_ms, takes_back_id)
VALUES ('f7b', 'b7', 's7', 's7-1', 'flaked', 'done-here', 'a key pressed by mistake', 'MK', 7200, 'f7');
INSERT INTO board_entries (id, board_id, at_ms, by, body) VALUES
  ('e1', 'b7', 7300, 'MK', '{"kind":"part","siteId":"s7","is":"off-kept","what":"","where":"tray 3"}'),
  ('e2', 'b7', 7310, 'MK', '{"kind":"settled","as":"deferred","item":"part:s7:off-kept:7300","says":"C1: off, kept: tray 3","reason":"next visit"}'),
  ('e3', 'b7', 7320, 'MK', '{"kind":"tested","how":"bare, cold","passed":false}'),
  ('e4', 'b7', 7330, 'MK', '{"kind":"handed-back","outcome":"improved","cause":"age"}'),
  ('e5', 'b7', 7340, 'MK', '{"kind":"reopened","reason":"came back"}'),
  ('e6', 'b7', 7350, 'MK', '{"kind":"parked","awaits":"answer","what":"whose clamp it was","due_ms":null}');
