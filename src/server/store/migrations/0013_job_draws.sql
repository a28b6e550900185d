CREATE TABLE `job_draws` (
	`job_id` text NOT NULL,
	`phase` text NOT NULL,
	`model_version` text NOT NULL,
	`body` text NOT NULL,
	`at_ms` integer NOT NULL,
	PRIMARY KEY(`job_id`, `phase`),
	FOREIGN KEY (`job_id`) REFERENCES `jobs`(`id`) ON UPDATE no action ON DELETE no action
);
