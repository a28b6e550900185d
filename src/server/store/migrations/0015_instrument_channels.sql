CREATE TABLE `instrument_channels` (
	`instrument` text NOT NULL,
	`channel` text NOT NULL,
	`name` text NOT NULL,
	`place` text NOT NULL,
	`offset_k` real NOT NULL,
	`checked_at_ms` integer,
	`by` text NOT NULL,
	`at_ms` integer NOT NULL,
	`revision` integer NOT NULL,
	PRIMARY KEY(`instrument`, `channel`)
);
