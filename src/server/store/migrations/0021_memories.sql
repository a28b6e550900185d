CREATE TABLE `memory_dumps` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`name` text NOT NULL,
	`size_bytes` integer NOT NULL,
	`crc32` text NOT NULL,
	`sum16` text NOT NULL,
	`sha256` text NOT NULL,
	`bytes` blob NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `memory_dumps_site` ON `memory_dumps` (`site_id`,`at_ms`);--> statement-breakpoint
CREATE TABLE `memory_entries` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`at_ms` integer NOT NULL,
	`by` text NOT NULL,
	`body` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `memory_entries_site` ON `memory_entries` (`site_id`,`at_ms`);