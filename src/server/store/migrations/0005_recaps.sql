CREATE TABLE `recaps` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`name` text NOT NULL,
	`by` text NOT NULL,
	`order` text NOT NULL,
	`site_ids` text NOT NULL,
	`answer` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `recaps_board` ON `recaps` (`board_id`,`at_ms`);--> statement-breakpoint
ALTER TABLE `sites` ADD `clinched` integer DEFAULT false NOT NULL;