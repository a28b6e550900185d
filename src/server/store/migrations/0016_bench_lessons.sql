CREATE TABLE `bench_heats` (
	`job_id` text NOT NULL,
	`phase` text NOT NULL,
	`board_id` text NOT NULL,
	`tool_id` text NOT NULL,
	`tip` text NOT NULL,
	`at_ms` integer NOT NULL,
	`heats` text NOT NULL,
	PRIMARY KEY(`job_id`, `phase`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`tool_id`) REFERENCES `tools`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `bench_heats_by_tip` ON `bench_heats` (`tip`,`at_ms`);--> statement-breakpoint
CREATE INDEX `bench_heats_by_board` ON `bench_heats` (`board_id`,`at_ms`);--> statement-breakpoint
CREATE TABLE `bench_lessons` (
	`about` text PRIMARY KEY NOT NULL,
	`body` text,
	`since_ms` integer DEFAULT 0 NOT NULL,
	`at_ms` integer NOT NULL
);
