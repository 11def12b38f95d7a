CREATE TABLE `components` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`key` text NOT NULL,
	`label` text NOT NULL,
	`like` text NOT NULL,
	`own` text DEFAULT '{}' NOT NULL,
	`handling` text DEFAULT '{}' NOT NULL,
	`dusty` integer,
	`biohazard` integer,
	`wetting` text,
	`grade` text DEFAULT '' NOT NULL,
	`note` text DEFAULT '' NOT NULL,
	`bag_l` real,
	`price_per_bag` real,
	`bags` integer DEFAULT 0 NOT NULL,
	`open_l` real DEFAULT 0 NOT NULL,
	`kitchen` text,
	`removed` integer DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `components_key_unique` ON `components` (`key`);--> statement-breakpoint
CREATE TABLE `recipe_versions` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`key` text NOT NULL,
	`version` integer NOT NULL,
	`label` text NOT NULL,
	`parts` text NOT NULL,
	`extras` text NOT NULL,
	`until` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `recipe_versions_once` ON `recipe_versions` (`key`,`version`);--> statement-breakpoint
CREATE TABLE `recipes` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`key` text NOT NULL,
	`label` text NOT NULL,
	`use` text DEFAULT '' NOT NULL,
	`version` integer DEFAULT 1 NOT NULL,
	`parts` text NOT NULL,
	`extras` text DEFAULT '{}' NOT NULL,
	`removed` integer DEFAULT false NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `recipes_key_unique` ON `recipes` (`key`);--> statement-breakpoint
ALTER TABLE `plants` ADD `medium_parts` text;