CREATE TABLE `board_clocks` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`kind` text NOT NULL,
	`what` text NOT NULL,
	`site_id` text,
	`job_id` text,
	`step_id` text,
	`started_ms` integer NOT NULL,
	`due_ms` integer NOT NULL,
	`ended_ms` integer,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `board_clocks_running` ON `board_clocks` (`due_ms`) WHERE ended_ms is null;--> statement-breakpoint
CREATE INDEX `board_clocks_board` ON `board_clocks` (`board_id`);