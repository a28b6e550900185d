CREATE TABLE `people` (
	`id` text PRIMARY KEY NOT NULL,
	`initials` text NOT NULL,
	`name` text NOT NULL,
	`role` text NOT NULL,
	`passphrase_hash` text NOT NULL,
	`left` integer DEFAULT false NOT NULL,
	`revision` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `people_initials_unique` ON `people` (`initials`);--> statement-breakpoint
CREATE TABLE `sessions` (
	`digest` text PRIMARY KEY NOT NULL,
	`person_id` text NOT NULL,
	`opened_at_ms` integer NOT NULL,
	`seen_at_ms` integer NOT NULL,
	FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `sessions_person` ON `sessions` (`person_id`);