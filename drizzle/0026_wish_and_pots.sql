ALTER TABLE `brews` MODIFY COLUMN `vessel_id` char(36);--> statement-breakpoint
ALTER TABLE `orders` ADD `wish` json;--> statement-breakpoint
ALTER TABLE `orders` ADD `cups` json;--> statement-breakpoint
UPDATE `sites` SET `limits` = JSON_SET(`limits`, '$.wetLeafHours', 2) WHERE JSON_TYPE(`limits`) = 'OBJECT';