ALTER TABLE `jobs` ADD `family` text;--> statement-breakpoint
ALTER TABLE `jobs` ADD `method` text;--> statement-breakpoint
CREATE INDEX `jobs_record` ON `jobs` (`status`,`family`,`by`,`method`);--> statement-breakpoint
CREATE INDEX `jobs_site` ON `jobs` (`site_id`);--> statement-breakpoint
CREATE INDEX `findings_job` ON `findings` (`job_id`);