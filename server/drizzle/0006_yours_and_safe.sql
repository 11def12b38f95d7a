CREATE TABLE `answers` (
	`key` text PRIMARY KEY NOT NULL,
	`fingerprint` text NOT NULL,
	`at` text NOT NULL,
	`status` integer NOT NULL,
	`headers` text NOT NULL,
	`body` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `changes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`deed_id` integer NOT NULL,
	`of` text NOT NULL,
	`row` text NOT NULL,
	`plant_id` integer,
	`op` text NOT NULL,
	`before` text,
	`after` text,
	FOREIGN KEY (`deed_id`) REFERENCES `deeds`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `changes_by_deed` ON `changes` (`deed_id`);--> statement-breakpoint
CREATE INDEX `changes_by_row` ON `changes` (`of`,`row`);--> statement-breakpoint
CREATE INDEX `changes_by_plant` ON `changes` (`plant_id`);--> statement-breakpoint
CREATE TABLE `deeds` (
	`id` integer PRIMARY KEY NOT NULL,
	`at` text NOT NULL,
	`what` text NOT NULL,
	`kind` text DEFAULT 'write' NOT NULL,
	`device` text,
	`undoes` integer,
	`undone_by` integer,
	`emptied` text
);
--> statement-breakpoint
CREATE INDEX `deeds_by_time` ON `deeds` (`at`);--> statement-breakpoint
CREATE TABLE `devices` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`label` text NOT NULL,
	`scope` text DEFAULT 'all' NOT NULL,
	`token_hash` text NOT NULL,
	`since` text NOT NULL,
	`seen` text NOT NULL,
	`until` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `devices_by_token` ON `devices` (`token_hash`);--> statement-breakpoint
CREATE TABLE `door` (
	`id` integer PRIMARY KEY NOT NULL,
	`salt` text NOT NULL,
	`hash` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `mappings` (
	`headings` text PRIMARY KEY NOT NULL,
	`mapping` text NOT NULL,
	`at` text NOT NULL
);
