-- A database as migration 0017 left it: a line of capacitors with a move and a reading.
INSERT INTO stock_parts (id, kind, words, part, drawer, batch, low, state, because, "left", revision)
VALUES ('part-1', 'capacitor', '150 µf 40 v aluminium capacitor a3', '{"kind":"capacitor","technology":"aluminium","value":"150µ","rating_V":40}', 'A3', 'K2231', 5, 'released', '', 12, 1);
INSERT INTO part_moves (id, part_id, change, reason, site_id, "by", at_ms)
VALUES ('part-1-first', 'part-1', 12, 'counted', NULL, 'MK', 1790612742528);
INSERT INTO part_readings (id, part_id, reading, verdict, reason, "by", at_ms)
VALUES ('reading-1', 'part-1', '{"capacitance":"148µ","esr_Ohm":0.3,"inCircuit":false}', 'good', 'within its tolerance', 'MK', 1790612742600);
