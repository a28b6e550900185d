CREATE TABLE `step_habits` (
	`method` text PRIMARY KEY NOT NULL,
	`edits` text NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `supplies` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`spec` text NOT NULL,
	`low` real DEFAULT 0 NOT NULL,
	`retired` integer DEFAULT false NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `supply_moves` (
	`id` text PRIMARY KEY NOT NULL,
	`supply_id` text NOT NULL,
	`change` real NOT NULL,
	`reason` text NOT NULL,
	`job_id` text,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`supply_id`) REFERENCES `supplies`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `supply_moves_of` ON `supply_moves` (`supply_id`,`at_ms`);--> statement-breakpoint
ALTER TABLE `jobs` ADD `choices` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `tools` ADD `offset_k` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `tools` ADD `checked_at_ms` integer;--> statement-breakpoint
ALTER TABLE `tools` ADD `hours` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `tools` ADD `clogged` real DEFAULT 0 NOT NULL;--> statement-breakpoint
-- A stock's moves are a ledger: a miscount is put right by the next count.
CREATE TRIGGER supply_moves_keep BEFORE UPDATE ON supply_moves
BEGIN SELECT RAISE(ABORT, 'moves of stock are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER supply_moves_stay BEFORE DELETE ON supply_moves
BEGIN SELECT RAISE(ABORT, 'moves of stock are append-only'); END;
