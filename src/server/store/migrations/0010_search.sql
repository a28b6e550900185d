-- What can be looked for, a row for each thing said, kept by the writes themselves: nothing said is forgotten here.
CREATE TABLE search_words (
	`id` integer PRIMARY KEY,
	`board_id` text NOT NULL,
	`source` text NOT NULL,
	`source_id` text NOT NULL,
	`words` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX search_words_source ON search_words (`source`, `source_id`);
--> statement-breakpoint
CREATE VIRTUAL TABLE search USING fts5(`words`, content='search_words', content_rowid='id', tokenize='unicode61 remove_diacritics 2', prefix='2 3');
--> statement-breakpoint
CREATE TRIGGER search_words_in AFTER INSERT ON search_words
BEGIN INSERT INTO search (rowid, words) VALUES (new.id, new.words); END;
--> statement-breakpoint
CREATE TRIGGER search_words_out AFTER DELETE ON search_words
BEGIN INSERT INTO search (search, rowid, words) VALUES ('delete', old.id, old.words); END;
--> statement-breakpoint
CREATE TRIGGER search_words_changed AFTER UPDATE OF words ON search_words
BEGIN
	INSERT INTO search (search, rowid, words) VALUES ('delete', old.id, old.words);
	INSERT INTO search (rowid, words) VALUES (new.id, new.words);
END;
--> statement-breakpoint
CREATE TRIGGER boards_searched AFTER INSERT ON boards
BEGIN
	INSERT INTO search_words (board_id, source, source_id, words)
	VALUES (new.id, 'board', new.id, new.name || ' ' || new.owner || ' ' || new.fault || ' ' || new.tried_before || ' ' || new.id);
END;
--> statement-breakpoint
CREATE TRIGGER boards_searched_anew AFTER UPDATE OF name, owner, fault, tried_before ON boards
WHEN new.name <> old.name OR new.owner <> old.owner OR new.fault <> old.fault OR new.tried_before <> old.tried_before
BEGIN
	UPDATE search_words
	SET words = new.name || ' ' || new.owner || ' ' || new.fault || ' ' || new.tried_before || ' ' || new.id
	WHERE source = 'board' AND source_id = new.id;
END;
--> statement-breakpoint
CREATE TRIGGER sites_searched AFTER INSERT ON sites
BEGIN
	INSERT INTO search_words (board_id, source, source_id, words)
	VALUES (new.board_id, 'site', new.id, new.ref || ' ' || new.value);
END;
--> statement-breakpoint
CREATE TRIGGER sites_searched_anew AFTER UPDATE OF ref, value ON sites WHEN new.ref <> old.ref OR new.value <> old.value
BEGIN UPDATE search_words SET words = new.ref || ' ' || new.value WHERE source = 'site' AND source_id = new.id; END;
--> statement-breakpoint
CREATE TRIGGER sites_searched_no_more AFTER DELETE ON sites
BEGIN DELETE FROM search_words WHERE source = 'site' AND source_id = old.id; END;
--> statement-breakpoint
CREATE TRIGGER findings_searched AFTER INSERT ON findings WHEN new.takes_back_id IS NULL
BEGIN
	INSERT INTO search_words (board_id, source, source_id, words)
	VALUES (new.board_id, 'finding', new.id, new.state || ' ' || new.note);
END;
--> statement-breakpoint
CREATE TRIGGER findings_taken_back AFTER INSERT ON findings WHEN new.takes_back_id IS NOT NULL
BEGIN DELETE FROM search_words WHERE source = 'finding' AND source_id = new.takes_back_id; END;
--> statement-breakpoint
CREATE TRIGGER face_findings_searched AFTER INSERT ON face_findings
BEGIN
	INSERT INTO search_words (board_id, source, source_id, words)
	VALUES (new.board_id, 'face', new.id, new.state || ' ' || new.note);
END;
--> statement-breakpoint
CREATE TRIGGER run_events_searched AFTER INSERT ON run_events
WHEN json_extract(new.body, '$.kind') = 'note' OR coalesce(json_extract(new.body, '$.cause'), '') <> ''
BEGIN
	INSERT INTO search_words (board_id, source, source_id, words)
	SELECT jobs.board_id, 'run', new.job_id || ' ' || new.seq, coalesce(json_extract(new.body, '$.text'), json_extract(new.body, '$.cause'))
	FROM jobs WHERE jobs.id = new.job_id;
END;
--> statement-breakpoint
CREATE TRIGGER board_entries_searched AFTER INSERT ON board_entries
WHEN coalesce(json_extract(new.body, '$.what'), json_extract(new.body, '$.reason'), json_extract(new.body, '$.how'), json_extract(new.body, '$.cause'), '') <> ''
BEGIN
	INSERT INTO search_words (board_id, source, source_id, words)
	VALUES (new.board_id, 'entry', new.id, coalesce(json_extract(new.body, '$.what'), json_extract(new.body, '$.reason'), json_extract(new.body, '$.how'), json_extract(new.body, '$.cause')));
END;
--> statement-breakpoint
INSERT INTO search_words (board_id, source, source_id, words)
SELECT id, 'board', id, name || ' ' || owner || ' ' || fault || ' ' || tried_before || ' ' || id FROM boards;
--> statement-breakpoint
INSERT INTO search_words (board_id, source, source_id, words)
SELECT board_id, 'site', id, ref || ' ' || value FROM sites;
--> statement-breakpoint
INSERT INTO search_words (board_id, source, source_id, words)
SELECT board_id, 'finding', id, state || ' ' || note FROM findings
WHERE takes_back_id IS NULL AND NOT EXISTS (SELECT 1 FROM findings later WHERE later.takes_back_id = findings.id);
--> statement-breakpoint
INSERT INTO search_words (board_id, source, source_id, words)
SELECT board_id, 'face', id, state || ' ' || note FROM face_findings;
--> statement-breakpoint
INSERT INTO search_words (board_id, source, source_id, words)
SELECT jobs.board_id, 'run', job_id || ' ' || seq, coalesce(json_extract(body, '$.text'), json_extract(body, '$.cause'))
FROM run_events JOIN jobs ON jobs.id = run_events.job_id
WHERE json_extract(body, '$.kind') = 'note' OR coalesce(json_extract(body, '$.cause'), '') <> '';
--> statement-breakpoint
INSERT INTO search_words (board_id, source, source_id, words)
SELECT board_id, 'entry', id, coalesce(json_extract(body, '$.what'), json_extract(body, '$.reason'), json_extract(body, '$.how'), json_extract(body, '$.cause'))
FROM board_entries
WHERE coalesce(json_extract(body, '$.what'), json_extract(body, '$.reason'), json_extract(body, '$.how'), json_extract(body, '$.cause'), '') <> '';
