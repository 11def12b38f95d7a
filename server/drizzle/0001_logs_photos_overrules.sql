CREATE TABLE `overrules` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`date` text NOT NULL,
	`advised` text NOT NULL,
	`instead` text NOT NULL,
	`until` text NOT NULL,
	`reason` text NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `overrules_by_plant` ON `overrules` (`plant_id`,`until`);--> statement-breakpoint
CREATE TABLE `photos` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`date` text NOT NULL,
	`hash` text NOT NULL,
	`mime` text NOT NULL,
	`bytes` integer NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `photos_once` ON `photos` (`plant_id`,`hash`);--> statement-breakpoint
CREATE INDEX `photos_by_hash` ON `photos` (`hash`);--> statement-breakpoint
CREATE TABLE `readings` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`spot_id` integer NOT NULL,
	`at` text NOT NULL,
	`temperature_c` real NOT NULL,
	`relative_humidity` real NOT NULL,
	FOREIGN KEY (`spot_id`) REFERENCES `spots`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `readings_once` ON `readings` (`spot_id`,`at`);--> statement-breakpoint
ALTER TABLE `measurements` ADD `minute` integer;