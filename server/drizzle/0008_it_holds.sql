CREATE TABLE `lived_days` (
	`day` text PRIMARY KEY NOT NULL
);
--> statement-breakpoint
ALTER TABLE `readings` ADD `count` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `readings` ADD `low_c` real;--> statement-breakpoint
ALTER TABLE `readings` ADD `high_c` real;