ALTER TABLE `boards` ADD `asks_v` real;--> statement-breakpoint
ALTER TABLE `stock_parts` ADD `value` real;--> statement-breakpoint
CREATE INDEX `stock_parts_by_value` ON `stock_parts` (`kind`,`value`);