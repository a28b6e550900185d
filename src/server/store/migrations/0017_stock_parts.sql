CREATE TABLE `part_moves` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`change` integer NOT NULL,
	`reason` text NOT NULL,
	`site_id` text,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `stock_parts`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `part_moves_of` ON `part_moves` (`part_id`,`at_ms`);--> statement-breakpoint
CREATE TABLE `part_readings` (
	`id` text PRIMARY KEY NOT NULL,
	`part_id` text NOT NULL,
	`reading` text NOT NULL,
	`verdict` text NOT NULL,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`part_id`) REFERENCES `stock_parts`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `part_readings_of` ON `part_readings` (`part_id`,`at_ms`);--> statement-breakpoint
CREATE TABLE `stock_parts` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`words` text NOT NULL,
	`part` text NOT NULL,
	`drawer` text NOT NULL,
	`batch` text NOT NULL,
	`low` integer NOT NULL,
	`state` text NOT NULL,
	`because` text NOT NULL,
	`left` integer NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `stock_parts_of_kind` ON `stock_parts` (`kind`,`words`);