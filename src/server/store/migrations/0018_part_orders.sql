CREATE TABLE `part_orders` (
	`id` text PRIMARY KEY NOT NULL,
	`supplier` text NOT NULL,
	`expected_ms` integer,
	`lines` text NOT NULL,
	`boards` text NOT NULL,
	`state` text NOT NULL,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	`ended_ms` integer,
	`revision` integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE INDEX `part_orders_by_state` ON `part_orders` (`state`,`expected_ms`);