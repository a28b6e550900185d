CREATE TABLE `site_part_readings` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`part` text NOT NULL,
	`reading` text NOT NULL,
	`verdict` text NOT NULL,
	`reason` text NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `site_part_readings_of` ON `site_part_readings` (`site_id`,`at_ms`);