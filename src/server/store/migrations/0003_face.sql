CREATE TABLE `face_findings` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`side` text NOT NULL,
	`kind` text NOT NULL,
	`points` text NOT NULL,
	`state` text NOT NULL,
	`found_as` text NOT NULL,
	`follows_id` text,
	`note` text DEFAULT '' NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`follows_id`) REFERENCES `face_findings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `face_findings_board` ON `face_findings` (`board_id`,`at_ms`);--> statement-breakpoint
CREATE TABLE `library_packages` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`package` text NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `library_packages_name` ON `library_packages` (`name`);--> statement-breakpoint
CREATE TABLE `photos` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`side` text,
	`finding_id` text,
	`face_finding_id` text,
	`caption` text DEFAULT '' NOT NULL,
	`by` text NOT NULL,
	`width_px` integer NOT NULL,
	`height_px` integer NOT NULL,
	`calibration` text,
	`picture` blob NOT NULL,
	`at_ms` integer NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`finding_id`) REFERENCES `findings`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`face_finding_id`) REFERENCES `face_findings`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `photos_board` ON `photos` (`board_id`,`at_ms`);--> statement-breakpoint
CREATE TABLE `readings` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`site_id` text NOT NULL,
	`kind` text NOT NULL,
	`pad_id` text NOT NULL,
	`other_pad_id` text NOT NULL,
	`value_ohm` real,
	`limit_ohm` real NOT NULL,
	`verdict` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pad_id`) REFERENCES `pads`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`other_pad_id`) REFERENCES `pads`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `readings_site` ON `readings` (`site_id`,`at_ms`);--> statement-breakpoint
CREATE INDEX `readings_board` ON `readings` (`board_id`);--> statement-breakpoint
CREATE TABLE `site_groups` (
	`id` text PRIMARY KEY NOT NULL,
	`board_id` text NOT NULL,
	`name` text NOT NULL,
	`site_ids` text NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL,
	FOREIGN KEY (`board_id`) REFERENCES `boards`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE UNIQUE INDEX `site_groups_name` ON `site_groups` (`board_id`,`name`);--> statement-breakpoint
ALTER TABLE `boards` ADD `finish` text DEFAULT 'unknown' NOT NULL;--> statement-breakpoint
ALTER TABLE `boards` ADD `made_in` integer;--> statement-breakpoint
ALTER TABLE `boards` ADD `fixtures` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `imports` ADD `profile` text;--> statement-breakpoint
-- Readings and findings on a face are history, as findings on pads are.
CREATE TRIGGER readings_keep BEFORE UPDATE ON readings
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER readings_stay BEFORE DELETE ON readings
BEGIN SELECT RAISE(ABORT, 'readings are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER face_findings_keep BEFORE UPDATE ON face_findings
BEGIN SELECT RAISE(ABORT, 'findings on a face are append-only'); END;
--> statement-breakpoint
CREATE TRIGGER face_findings_stay BEFORE DELETE ON face_findings
BEGIN SELECT RAISE(ABORT, 'findings on a face are append-only'); END;
