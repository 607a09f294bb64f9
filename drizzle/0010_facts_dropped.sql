ALTER TABLE `kettles` DROP COLUMN `facts`;--> statement-breakpoint
ALTER TABLE `vessels` DROP COLUMN `facts`;