CREATE TABLE `feed` (
	`site_id` char(36) NOT NULL,
	`seq` bigint NOT NULL,
	`kind` varchar(12) NOT NULL,
	`ref` char(36),
	`at` datetime(3) NOT NULL,
	CONSTRAINT `feed_site_id_seq_pk` PRIMARY KEY(`site_id`,`seq`)
);
--> statement-breakpoint
CREATE TABLE `feed_heads` (
	`site_id` char(36) NOT NULL,
	`seq` bigint NOT NULL,
	CONSTRAINT `feed_heads_site_id` PRIMARY KEY(`site_id`)
);
--> statement-breakpoint
CREATE TABLE `orders` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`vessel_id` char(36),
	`water_ml` double,
	`for_whom` varchar(60) NOT NULL,
	`rank` double NOT NULL,
	`state` enum('waiting','started','dropped') NOT NULL,
	`brew_id` char(36),
	`at` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	CONSTRAINT `orders_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `brew_events` MODIFY COLUMN `person_id` char(36);
--> statement-breakpoint
ALTER TABLE `brews` MODIFY COLUMN `timing` enum('early','inWindow','late','forgotten');
--> statement-breakpoint
ALTER TABLE `brew_events` ADD `device` varchar(60);
--> statement-breakpoint
ALTER TABLE `brew_events` ADD `before` json;
--> statement-breakpoint
ALTER TABLE `brew_events` ADD `undone` boolean NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `method` varchar(20) NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `leaf_id` char(36) NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `paired_id` char(36);
--> statement-breakpoint
ALTER TABLE `brews` ADD `kettle` varchar(60) NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `pulled_device` varchar(60);
--> statement-breakpoint
ALTER TABLE `brews` ADD `error_s` double;
--> statement-breakpoint
ALTER TABLE `brews` ADD `crowded` boolean NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `marks` json DEFAULT ('[]') NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `readings` json DEFAULT ('[]') NOT NULL;
--> statement-breakpoint
ALTER TABLE `brews` ADD `correction` enum('none','taken','notTaken') NOT NULL;
--> statement-breakpoint
ALTER TABLE `sessions` ADD `locked_as` varchar(60);
--> statement-breakpoint
ALTER TABLE `orders` ADD CONSTRAINT `orders_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `orders` ADD CONSTRAINT `orders_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `orders` ADD CONSTRAINT `orders_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE `orders` ADD CONSTRAINT `orders_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
UPDATE `brews` SET `leaf_id` = `id`,
	`method` = CASE WHEN json_value(`plan`, '$.vessel.infuser') IN ('flatbag', 'tetra') THEN 'bag' ELSE CASE json_value(`plan`, '$.vessel.kind') WHEN 'release' THEN 'release' WHEN 'lidded' THEN 'liddedCup' WHEN 'tasting' THEN 'tastingSet' WHEN 'mug' THEN 'infuserCup' ELSE 'pot' END END,
	`error_s` = timestampdiff(MICROSECOND, `water_on`, `pulled`) / 1000000 - json_value(`plan`, '$.recipe.window.best'),
	`correction` = CASE WHEN `proposal` IS NULL OR json_value(`proposal`, '$.lever') = 'keep' THEN 'none' WHEN `accepted` THEN 'taken' ELSE 'notTaken' END;
--> statement-breakpoint
UPDATE `brews` SET `timing` = 'forgotten' WHERE `timing` = 'late' AND `error_s` + json_value(`plan`, '$.recipe.window.best') - json_value(`plan`, '$.recipe.window.latest') > greatest(60, json_value(`plan`, '$.recipe.window.best') / 2);
--> statement-breakpoint
CREATE INDEX `feed_at` ON `feed` (`at`);
--> statement-breakpoint
CREATE INDEX `orders_waiting` ON `orders` (`site_id`,`state`,`rank`);
--> statement-breakpoint
CREATE INDEX `brews_leaf` ON `brews` (`leaf_id`);
--> statement-breakpoint
CREATE INDEX `log_all` ON `brews` (`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`vessel_id`,`started_by`,`method`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_site` ON `brews` (`site_id`,`started_at`,`id`,`tea_id`,`lot_id`,`vessel_id`,`started_by`,`method`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_tea` ON `brews` (`tea_id`,`started_at`,`id`,`site_id`,`lot_id`,`vessel_id`,`started_by`,`method`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_lot` ON `brews` (`lot_id`,`started_at`,`id`,`site_id`,`tea_id`,`vessel_id`,`started_by`,`method`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_vessel` ON `brews` (`vessel_id`,`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`started_by`,`method`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_person` ON `brews` (`started_by`,`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`vessel_id`,`method`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_method` ON `brews` (`method`,`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`vessel_id`,`started_by`,`verdict_kind`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_verdict` ON `brews` (`verdict_kind`,`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`vessel_id`,`started_by`,`method`,`timing`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_timing` ON `brews` (`timing`,`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`vessel_id`,`started_by`,`method`,`verdict_kind`,`correction`,`state`);
--> statement-breakpoint
CREATE INDEX `log_correction` ON `brews` (`correction`,`started_at`,`id`,`site_id`,`tea_id`,`lot_id`,`vessel_id`,`started_by`,`method`,`verdict_kind`,`timing`,`state`);
--> statement-breakpoint
DROP INDEX `brews_newest` ON `brews`;
--> statement-breakpoint
DROP INDEX `brews_site` ON `brews`;
--> statement-breakpoint
DROP INDEX `brews_tea` ON `brews`;
--> statement-breakpoint
DROP INDEX `brews_lot` ON `brews`;
--> statement-breakpoint
DROP INDEX `brews_person` ON `brews`;
--> statement-breakpoint
DROP INDEX `brews_verdict` ON `brews`;
