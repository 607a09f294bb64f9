ALTER TABLE `orders` ADD `wish` json;--> statement-breakpoint
ALTER TABLE `orders` ADD `cups` json;