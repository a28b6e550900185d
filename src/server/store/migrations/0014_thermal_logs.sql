CREATE TABLE `thermal_logs` (
	`id` text PRIMARY KEY NOT NULL,
	`job_id` text NOT NULL,
	`of_seq` integer,
	`origin` text NOT NULL,
	`simulated` integer NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	`profile` text NOT NULL,
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `thermal_logs_job` ON `thermal_logs` (`job_id`,`at_ms`);