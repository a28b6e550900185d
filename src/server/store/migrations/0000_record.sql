CREATE TABLE `boards` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`owner` text NOT NULL,
	`fault` text NOT NULL,
	`tried_before` text DEFAULT '' NOT NULL,
	`hazards` text NOT NULL,
	`construction` text NOT NULL,
	`waiting_for` text NOT NULL,
	`next_action` text DEFAULT '' NOT NULL,
	`outcome` text,
	`created_at_ms` integer NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `boards_waiting` ON `boards` (`waiting_for`,`created_at_ms`);--> statement-breakpoint
CREATE TABLE `findings` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`site_id` text NOT NULL,
	`pad_id` text NOT NULL,
	`state` text NOT NULL,
	`other_pad_id` text,
	`found_as` text NOT NULL,
	`job_id` text,
	`note` text DEFAULT '' NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pad_id`) REFERENCES `pads`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`other_pad_id`) REFERENCES `pads`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `findings_board` ON `findings` (`board_id`,`at_ms`);--> statement-breakpoint
CREATE INDEX `findings_pad` ON `findings` (`pad_id`);--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`site_id` text NOT NULL,
	`goal` text NOT NULL,
	`by` text NOT NULL,
	`status` text NOT NULL,
	`input` text NOT NULL,
	`setting` text NOT NULL,
	`plan` text NOT NULL,
	`model_version` text NOT NULL,
	`outcome` text,
	`cause` text DEFAULT '' NOT NULL,
	`accepted_at_ms` integer NOT NULL,
	`closed_at_ms` integer,
	`last_seq` integer DEFAULT 0 NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `jobs_board` ON `jobs` (`board_id`,`accepted_at_ms`);--> statement-breakpoint
CREATE INDEX `jobs_status` ON `jobs` (`status`);--> statement-breakpoint
CREATE TABLE `pads` (
	`id` text PRIMARY KEY NOT NULL,
	`site_id` text NOT NULL,
	`name` text NOT NULL,
	`net` text DEFAULT '' NOT NULL,
	`connections` text NOT NULL,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `pads_name` ON `pads` (`site_id`,`name`);--> statement-breakpoint
CREATE TABLE `run_events` (
	`job_id` text NOT NULL,
	`seq` integer NOT NULL,
	`client_id` text NOT NULL,
	`at_ms` integer NOT NULL,
	`by` text NOT NULL,
	`body` text NOT NULL,
	PRIMARY KEY(`job_id`, `seq`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `run_events_client_id_unique` ON `run_events` (`client_id`);--> statement-breakpoint
CREATE INDEX `run_events_at` ON `run_events` (`at_ms`);--> statement-breakpoint
CREATE TABLE `sites` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`ref` text NOT NULL,
	`value` text DEFAULT '' NOT NULL,
	`side` text NOT NULL,
	`x_mm` real NOT NULL,
	`y_mm` real NOT NULL,
	`rotation_deg` real DEFAULT 0 NOT NULL,
	`alloy` text NOT NULL,
	`package` text NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `sites_ref` ON `sites` (`board_id`,`ref`);--> statement-breakpoint
CREATE INDEX `sites_board` ON `sites` (`board_id`);--> statement-breakpoint
CREATE TABLE `tools` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`spec` text NOT NULL,
	`retired` integer DEFAULT false NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL
);
