CREATE TABLE `artworks` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`import_id` text NOT NULL,
	`layer` integer NOT NULL,
	`file` text NOT NULL,
	`nx` integer NOT NULL,
	`ny` integer NOT NULL,
	`coverage` real NOT NULL,
	`cells` blob NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`import_id`) REFERENCES `imports`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `artworks_board` ON `artworks` (`board_id`,`layer`);--> statement-breakpoint
CREATE TABLE `imports` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	`files` text NOT NULL,
	`site_ids` text NOT NULL,
	`undone_at_ms` integer,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `imports_board` ON `imports` (`board_id`,`at_ms`);