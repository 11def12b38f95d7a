CREATE TABLE `looks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`date` text NOT NULL,
	`signals` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `looks_by_plant` ON `looks` (`plant_id`,`date`);--> statement-breakpoint
CREATE TABLE `measurements` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`date` text NOT NULL,
	`kind` text NOT NULL,
	`value` real NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `measurements_by_plant` ON `measurements` (`plant_id`,`date`);--> statement-breakpoint
CREATE TABLE `plants` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`taxon` text NOT NULL,
	`group_id` text,
	`traits` text NOT NULL,
	`spot_id` integer NOT NULL,
	`acquired` text,
	`pot` text NOT NULL,
	`pot_material` text NOT NULL,
	`pot_id` integer,
	`medium_kind` text NOT NULL,
	`recipe_id` text,
	`last_repot` text,
	`height_cm` real,
	`support_cm` real,
	`schools` text NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`spot_id`) REFERENCES `spots`(`id`) ON UPDATE no action ON DELETE no action,
	FOREIGN KEY (`pot_id`) REFERENCES `pots`(`id`) ON UPDATE no action ON DELETE no action
);
--> statement-breakpoint
CREATE INDEX `plants_by_spot` ON `plants` (`spot_id`);--> statement-breakpoint
CREATE TABLE `pots` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`label` text NOT NULL,
	`shape` text NOT NULL,
	`material` text NOT NULL,
	`empty_kg` real,
	`count` integer NOT NULL,
	`free` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `repots` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`date` text NOT NULL,
	`before` text NOT NULL,
	`after` text NOT NULL,
	`mixed_in` text,
	`root_work` text NOT NULL,
	`roots_cut` integer NOT NULL,
	`verdict` text,
	`note` text DEFAULT '' NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `repots_by_plant` ON `repots` (`plant_id`,`date`);--> statement-breakpoint
CREATE TABLE `settings` (
	`key` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `spots` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`name` text NOT NULL,
	`sort_order` integer DEFAULT 0 NOT NULL,
	`latitude_deg` real NOT NULL,
	`indoors` integer NOT NULL,
	`temperature_c` text NOT NULL,
	`relative_humidity` real NOT NULL,
	`light` text NOT NULL,
	`lamp_hours` real DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE `tasks` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`repot_id` integer,
	`kind` text NOT NULL,
	`due` text NOT NULL,
	`title` text NOT NULL,
	`why` text DEFAULT '' NOT NULL,
	`done` text,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`repot_id`) REFERENCES `repots`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `tasks_by_due` ON `tasks` (`done`,`due`);