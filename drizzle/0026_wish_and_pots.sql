ALTER TABLE `brews` MODIFY COLUMN `vessel_id` char(36);--> statement-breakpoint
ALTER TABLE `orders` ADD `wish` json;--> statement-breakpoint
ALTER TABLE `orders` ADD `cups` json;