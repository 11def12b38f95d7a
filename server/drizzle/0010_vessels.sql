ALTER TABLE `pots` ADD `drain` integer DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE `reservoirs` ADD `setup` text;--> statement-breakpoint
ALTER TABLE `reservoirs` ADD `gap_cm` real;--> statement-breakpoint
ALTER TABLE `reservoirs` ADD `level_cm` real;--> statement-breakpoint
ALTER TABLE `reservoirs` ADD `wicks` integer;--> statement-breakpoint
ALTER TABLE `reservoirs` ADD `winter_wicks` integer;