ALTER TABLE `days` DROP COLUMN `tub_l`;--> statement-breakpoint
ALTER TABLE `days` DROP COLUMN `pot_price`;