CREATE INDEX `jobs_closed` ON `jobs` (`status`,`closed_at_ms`);--> statement-breakpoint
CREATE INDEX `run_events_supply` ON `run_events` (`at_ms`) WHERE json_extract(body, '$.supply') is not null;