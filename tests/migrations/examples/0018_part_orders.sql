-- A database as migration 0018 left it: an order that is on its way.
INSERT INTO part_orders (id, supplier, expected_ms, lines, boards, state, "by", at_ms, ended_ms, revision)
VALUES ('order-1', 'the corner shop', 1790785542528, '[{"partId":"part-1","count":20}]', '[]', 'ordered', 'MK', 1790612742528, NULL, 1);
