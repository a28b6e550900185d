CREATE TABLE `board_entries` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`at_ms` integer NOT NULL,
	`by` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `board_entries_board` ON `board_entries` (`board_id`,`at_ms`);--> statement-breakpoint
ALTER TABLE `findings` ADD `takes_back_id` text REFERENCES findings(id);--> statement-breakpoint
ALTER TABLE `sites` ADD `polarity` text;
--> statement-breakpoint
CREATE TRIGGER board_entries_keep BEFORE UPDATE ON board_entries
BEGIN SELECT RAISE(ABORT, 'board entries are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER board_entries_stay BEFORE DELETE ON board_entries
BEGIN SELECT RAISE(ABORT, 'board entries are append-only'); END;
--> statement-breakpoint
-- A board that was closed by the last job on it stays closed, and one that waited for parts stays parked for them.
INSERT INTO board_entries (id, board_id, at_ms, by, body)
SELECT 'closed-' || b.id, b.id, coalesce(j.closed_at_ms, b.created_at_ms), coalesce(j.by, b.owner),
  json_object('kind', 'scrapped', 'cause', coalesce(nullif(j.cause, ''), 'Closed before boards had entries of their own'))
FROM boards b
LEFT JOIN jobs j ON j.id = (SELECT id FROM jobs WHERE board_id = b.id AND status = 'closed' ORDER BY closed_at_ms DESC LIMIT 1)
WHERE b.waiting_for = 'closed';
--> statement-breakpoint
INSERT INTO board_entries (id, board_id, at_ms, by, body)
SELECT 'parked-' || b.id, b.id, coalesce(j.closed_at_ms, b.created_at_ms), coalesce(j.by, b.owner),
  json_object('kind', 'parked', 'awaits', 'part', 'what', coalesce(nullif(substr(b.next_action, 1, 160), ''), 'parts'), 'due_ms', NULL)
FROM boards b
LEFT JOIN jobs j ON j.id = (SELECT id FROM jobs WHERE board_id = b.id AND status = 'closed' ORDER BY closed_at_ms DESC LIMIT 1)
WHERE b.waiting_for = 'parts';
