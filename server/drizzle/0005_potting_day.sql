CREATE TABLE `days` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`dates` text NOT NULL,
	`hands` integer DEFAULT 1 NOT NULL,
	`money` real,
	`cleaning` text DEFAULT 'soak' NOT NULL,
	`tub_l` real,
	`next_chance` text NOT NULL,
	`pot_price` real,
	`pins` text DEFAULT '[]' NOT NULL,
	`state` text DEFAULT 'planning' NOT NULL,
	`plan` text,
	`plans_before` text DEFAULT '[]' NOT NULL,
	`bought` text DEFAULT '[]' NOT NULL,
	`mixed` text DEFAULT '[]' NOT NULL,
	`cut` text DEFAULT '[]' NOT NULL,
	`started_at` text DEFAULT '{}' NOT NULL
);
--> statement-breakpoint
ALTER TABLE `benches` ADD `started_at` integer;--> statement-breakpoint
ALTER TABLE `benches` ADD `done_at` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `plants` ADD `apart_since` text;--> statement-breakpoint
ALTER TABLE `plants` ADD `cleared_on` text;--> statement-breakpoint
ALTER TABLE `pots` ADD `apart` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `repots` ADD `day_id` integer REFERENCES days(id);--> statement-breakpoint
ALTER TABLE `repots` ADD `drawn` text;--> statement-breakpoint
ALTER TABLE `repots` ADD `timed` text;