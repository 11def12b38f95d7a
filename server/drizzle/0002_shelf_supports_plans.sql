CREATE TABLE `plans` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`plant_id` integer NOT NULL,
	`date` text NOT NULL,
	`fit` text NOT NULL,
	FOREIGN KEY (`plant_id`) REFERENCES `plants`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE UNIQUE INDEX `plans_plant_id_unique` ON `plans` (`plant_id`);--> statement-breakpoint
CREATE TABLE `supports` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`rev` integer DEFAULT 1 NOT NULL,
	`created_at` text NOT NULL,
	`updated_at` text NOT NULL,
	`label` text NOT NULL,
	`kind` text NOT NULL,
	`section` text NOT NULL,
	`length_cm` real NOT NULL,
	`extension` integer DEFAULT false NOT NULL,
	`count` integer NOT NULL,
	`free` integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE `plants` ADD `support_kind` text;--> statement-breakpoint
ALTER TABLE `plants` ADD `support_section` text;--> statement-breakpoint
ALTER TABLE `plants` ADD `support_id` integer REFERENCES supports(id);--> statement-breakpoint
ALTER TABLE `plants` ADD `support_wish` text DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE `plants` ADD `stems` integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `plants` ADD `cover_id` integer REFERENCES pots(id);--> statement-breakpoint
ALTER TABLE `pots` ADD `role` text DEFAULT 'pot' NOT NULL;--> statement-breakpoint
ALTER TABLE `pots` ADD `soaking` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `pots` ADD `soaking_since` text;--> statement-breakpoint
ALTER TABLE `pots` ADD `holes` integer;--> statement-breakpoint
ALTER TABLE `pots` ADD `tone` text;--> statement-breakpoint
ALTER TABLE `pots` ADD `reservoir_l` real DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `pots` ADD `wicks` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
ALTER TABLE `pots` ADD `hangs` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `spots` ADD `headroom_cm` real;