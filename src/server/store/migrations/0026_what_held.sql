-- Time under heat, peaks and minutes are held against what was foretold too: jobs are counted anew as the server starts.
DELETE FROM job_facts;--> statement-breakpoint
ALTER TABLE `job_facts` ADD `pace` real;--> statement-breakpoint
ALTER TABLE `job_facts` ADD `solder` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `job_facts` ADD `flux` text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `job_facts` ADD `held` text NOT NULL;--> statement-breakpoint
CREATE INDEX `job_facts_pace` ON `job_facts` (`closed_at_ms`,`by`,`method`,`pace`) WHERE pace is not null;--> statement-breakpoint
ALTER TABLE `job_facts` DROP COLUMN `melts`;--> statement-breakpoint
ALTER TABLE `supply_moves` ADD `batch` text;--> statement-breakpoint
CREATE INDEX `supply_moves_batch` ON `supply_moves` (`supply_id`) WHERE batch is not null;