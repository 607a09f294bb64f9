ALTER TABLE `kettles` ADD `name` varchar(60) NOT NULL;--> statement-breakpoint
ALTER TABLE `kettles` ADD `kind` enum('kettle','urn','jug') NOT NULL;--> statement-breakpoint
ALTER TABLE `kettles` ADD `volume_ml` double NOT NULL;--> statement-breakpoint
ALTER TABLE `kettles` ADD `material` varchar(20) NOT NULL;--> statement-breakpoint
ALTER TABLE `kettles` ADD `lid` boolean NOT NULL;--> statement-breakpoint
ALTER TABLE `kettles` ADD `set_points` json;--> statement-breakpoint
ALTER TABLE `kettles` ADD `note` varchar(200) NOT NULL;--> statement-breakpoint
ALTER TABLE `people` ADD `rev` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `sites` ADD `rev` int DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `name` varchar(60) NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `kind` varchar(20) NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `brim_ml` double NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `mark_ml` double NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `infuser` varchar(20) NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `basket_ml` double;--> statement-breakpoint
ALTER TABLE `vessels` ADD `material` varchar(20) NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `wall_g` double;--> statement-breakpoint
ALTER TABLE `vessels` ADD `lid` boolean NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `cosy` boolean NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `strainer` enum('liftsOut','staysIn') NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `dead_ml` double NOT NULL;--> statement-breakpoint
ALTER TABLE `vessels` ADD `covers_ml` double;--> statement-breakpoint
ALTER TABLE `vessels` ADD `basket_depth_mm` double;--> statement-breakpoint
ALTER TABLE `vessels` ADD `weighed` json;--> statement-breakpoint
-- Facts that lay in one JSON column become columns of their own.
UPDATE `kettles` SET
	`name` = json_value(`facts`, '$.name'),
	`kind` = json_value(`facts`, '$.kind'),
	`volume_ml` = json_value(`facts`, '$.volume'),
	`material` = json_value(`facts`, '$.material'),
	`lid` = json_extract(`facts`, '$.lid') = true,
	`set_points` = nullif(json_extract(`facts`, '$.setPoints'), 'null'),
	`note` = coalesce(json_value(`facts`, '$.note'), '');--> statement-breakpoint
UPDATE `vessels` SET
	`name` = json_value(`facts`, '$.name'),
	`kind` = json_value(`facts`, '$.kind'),
	`brim_ml` = json_value(`facts`, '$.brim'),
	`mark_ml` = json_value(`facts`, '$.mark'),
	`infuser` = json_value(`facts`, '$.infuser'),
	`basket_ml` = json_value(`facts`, '$.basket'),
	`material` = json_value(`facts`, '$.material'),
	`wall_g` = json_value(`facts`, '$.wallGrams'),
	`lid` = json_extract(`facts`, '$.lid') = true,
	`cosy` = json_extract(`facts`, '$.cosy') = true,
	`strainer` = json_value(`facts`, '$.strainer'),
	`dead_ml` = json_value(`facts`, '$.dead'),
	`covers_ml` = json_value(`facts`, '$.covers'),
	`basket_depth_mm` = json_value(`facts`, '$.basketDepth'),
	`weighed` = nullif(json_extract(`facts`, '$.weighed'), 'null');--> statement-breakpoint
-- A foreign key needs every row to point at a record that is there.
UPDATE `orders` SET `brew_id` = NULL WHERE `brew_id` NOT IN (SELECT `id` FROM `brews`);--> statement-breakpoint
UPDATE `tastings` SET `after_id` = NULL WHERE `after_id` NOT IN (SELECT `id` FROM (SELECT `id` FROM `tastings`) AS `there`);--> statement-breakpoint
ALTER TABLE `orders` ADD CONSTRAINT `orders_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_after_id_tastings_id_fk` FOREIGN KEY (`after_id`) REFERENCES `tastings`(`id`) ON DELETE no action ON UPDATE no action;