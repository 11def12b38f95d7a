CREATE TABLE `batch_looks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`batch_id` integer NOT NULL,
	`date` text NOT NULL,
	`rooted` integer NOT NULL,
	`root_cm` real,
	`roots` integer,
	`branching` integer,
	`lost` integer DEFAULT 0 NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `batch_looks_by_batch` ON `batch_looks` (`batch_id`,`date`);--> statement-breakpoint
CREATE TABLE `batches` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`method` text NOT NULL,
	`medium` text NOT NULL,
	`parent_id` integer,
	`name` text NOT NULL,
	`taxon` text NOT NULL,
	`group_id` text,
	`spot_id` integer NOT NULL,
	`date` text NOT NULL,
	`count` integer NOT NULL,
	`lost` integer DEFAULT 0 NOT NULL,
	`potted_on` integer DEFAULT 0 NOT NULL,
	`nodes` integer,
	`planned` integer DEFAULT false NOT NULL,
	`repot_id` integer,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`parent_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE set null,
	FOREIGN KEY (`spot_id`) REFERENCES `spots`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`repot_id`) REFERENCES `repots`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE TABLE `benches` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`done` text DEFAULT '[]' NOT NULL,
	`notes` text DEFAULT '{}' NOT NULL,
	`timers` text DEFAULT '[]' NOT NULL,
	`found` text DEFAULT '{}' NOT NULL,
	`photos` text DEFAULT '{}' NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `benches_plant_id_unique` ON `benches` (`plant_id`);--> statement-breakpoint
CREATE TABLE `outcomes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`repot_id` integer NOT NULL,
	`at` text NOT NULL,
	`date` text NOT NULL,
	`grade` text NOT NULL,
	`seen` text NOT NULL,
	`photo_id` integer,
	`left` text,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`repot_id`) REFERENCES `repots`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`photo_id`) REFERENCES `photos`(`id`) ON UPDATE no action ON DELETE set null
);
--> statement-breakpoint
CREATE UNIQUE INDEX `outcomes_once` ON `outcomes` (`repot_id`,`at`);--> statement-breakpoint
CREATE INDEX `outcomes_by_plant` ON `outcomes` (`plant_id`);--> statement-breakpoint
CREATE TABLE `reservoirs` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`full_l` real NOT NULL,
	`wick` text,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `reservoirs_plant_id_unique` ON `reservoirs` (`plant_id`);--> statement-breakpoint
ALTER TABLE `plants` ADD `gone_on` text;--> statement-breakpoint
ALTER TABLE `repots` ADD `practice` text;--> statement-breakpoint
ALTER TABLE `repots` ADD `live_roots` real;--> statement-breakpoint
ALTER TABLE `repots` ADD `pieces` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `tasks` ADD `rule` text;--> statement-breakpoint
ALTER TABLE `tasks` ADD `until` text;--> statement-breakpoint
ALTER TABLE `tasks` ADD `every_days` integer;--> statement-breakpoint
ALTER TABLE `tasks` ADD `moved` text DEFAULT '' NOT NULL;