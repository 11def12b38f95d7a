ALTER TABLE `repots` DROP COLUMN `drawn`;--> statement-breakpoint
ALTER TABLE `outcomes` DROP COLUMN `left`;