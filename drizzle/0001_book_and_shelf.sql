CREATE TABLE `changes` (
	`id` char(36) NOT NULL,
	`thing` varchar(12) NOT NULL,
	`thing_id` varchar(36) NOT NULL,
	`lines` json NOT NULL,
	`person_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `changes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `kettle_readings` (
	`id` char(36) NOT NULL,
	`kettle_id` char(36) NOT NULL,
	`kind` enum('cooling','poured') NOT NULL,
	`boil` char(36) NOT NULL,
	`seconds` double NOT NULL,
	`celsius` double NOT NULL,
	`kettle_celsius` double,
	`water_ml` double NOT NULL,
	`ambient_c` double NOT NULL,
	`simulated` boolean NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	CONSTRAINT `kettle_readings_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `kettles` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`facts` json NOT NULL,
	`rev` int NOT NULL,
	`retired` boolean NOT NULL,
	CONSTRAINT `kettles_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `lots` (
	`id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`arrived` date,
	`best_before` date,
	`harvest` varchar(60) NOT NULL,
	`note` varchar(300) NOT NULL,
	`state` enum('new','dialledIn','inUse','finished') NOT NULL,
	`weighing` json,
	`version_id` char(36),
	`rev` int NOT NULL,
	CONSTRAINT `lots_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `photos` (
	`id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`body` mediumblob NOT NULL,
	CONSTRAINT `photos_id` PRIMARY KEY(`id`),
	CONSTRAINT `photo_tea` UNIQUE(`tea_id`)
);
--> statement-breakpoint
CREATE TABLE `spoons` (
	`id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`ml` double NOT NULL,
	`heaped` boolean NOT NULL,
	`rev` int NOT NULL,
	`retired` boolean NOT NULL,
	CONSTRAINT `spoons_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `recipe_versions` DROP INDEX `version_number`;--> statement-breakpoint
ALTER TABLE `teas` MODIFY COLUMN `spoon` varchar(36) NOT NULL;--> statement-breakpoint
ALTER TABLE `brews` ADD `lot_id` char(36);--> statement-breakpoint
ALTER TABLE `house` ADD `vocabulary` json NOT NULL DEFAULT '["thin","watery","mellow","bright","brisk","malty","biscuity","floral","fruity","vegetal","grassy","savoury","honey","stewed","dusty","dry","puckering","clear","cloudy","body","length"]';--> statement-breakpoint
ALTER TABLE `teas` ADD `leaf` json NOT NULL DEFAULT '{"form": null, "season": null, "traits": []}';--> statement-breakpoint
ALTER TABLE `teas` ADD `blend` varchar(200) NOT NULL;--> statement-breakpoint
ALTER TABLE `teas` ADD `packet` varchar(500) NOT NULL;--> statement-breakpoint
ALTER TABLE `teas` ADD `caffeine` varchar(120) NOT NULL;--> statement-breakpoint
ALTER TABLE `teas` ADD `cautions` varchar(300) NOT NULL;--> statement-breakpoint
ALTER TABLE `teas` ADD `colour` json;--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD `method` varchar(20) NOT NULL;--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD CONSTRAINT `version_number` UNIQUE(`tea_id`,`method`,`number`);--> statement-breakpoint
ALTER TABLE `changes` ADD CONSTRAINT `changes_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kettle_readings` ADD CONSTRAINT `kettle_readings_kettle_id_kettles_id_fk` FOREIGN KEY (`kettle_id`) REFERENCES `kettles`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kettle_readings` ADD CONSTRAINT `kettle_readings_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `kettles` ADD CONSTRAINT `kettles_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lots` ADD CONSTRAINT `lots_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lots` ADD CONSTRAINT `lots_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `photos` ADD CONSTRAINT `photos_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `changes_thing` ON `changes` (`thing`,`thing_id`,`at`);--> statement-breakpoint
CREATE INDEX `readings_kettle` ON `kettle_readings` (`kettle_id`,`at`);--> statement-breakpoint
CREATE INDEX `kettles_site` ON `kettles` (`site_id`);--> statement-breakpoint
CREATE INDEX `lots_tea` ON `lots` (`tea_id`,`state`);--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `brews_lot` ON `brews` (`lot_id`,`started_at`,`id`);--> statement-breakpoint
UPDATE `recipe_versions` v JOIN `teas` t ON t.`id` = v.`tea_id` SET v.`method` = t.`method`;
--> statement-breakpoint
UPDATE `teas` SET `weighing` = json_set(`weighing`, '$.singles', json_array()) WHERE `weighing` IS NOT NULL;
--> statement-breakpoint
UPDATE `sites` SET `kettle` = json_merge_preserve(`kettle`, '{"rate": null, "name": ""}');
--> statement-breakpoint
UPDATE `vessels` SET `facts` = json_merge_preserve(`facts`, '{"cosy": false, "strainer": "liftsOut", "dead": 0, "covers": null, "basketDepth": null, "weighed": null}');
--> statement-breakpoint
UPDATE `brews` SET `plan` = json_set(`plan`, '$.vessel', json_merge_preserve(json_extract(`plan`, '$.vessel'), '{"cosy": false, "strainer": "liftsOut", "dead": 0, "covers": null, "basketDepth": null, "weighed": null}'));
--> statement-breakpoint
UPDATE `recipe_versions` SET `recipe` = json_set(json_merge_preserve(`recipe`, '{"handling": {"rinse": 0, "stir": [], "circles": false, "root": 0, "squeeze": false, "milk": false, "order": "plain"}, "leeway": null, "bag": null, "warmStart": null, "glasses": [], "origin": ""}'), '$.later', json_compact(coalesce((SELECT json_arrayagg(json_object('earliest', round(l.`s` * 0.85), 'best', l.`s`, 'latest', round(l.`s` * 1.2))) FROM json_table(`recipe`, '$.later[*]' COLUMNS (`s` double PATH '$')) l), '[]')));
--> statement-breakpoint
UPDATE `brews` SET `plan` = json_set(`plan`, '$.recipe', json_set(json_merge_preserve(json_extract(`plan`, '$.recipe'), '{"handling": {"rinse": 0, "stir": [], "circles": false, "root": 0, "squeeze": false, "milk": false, "order": "plain"}, "leeway": null, "bag": null, "warmStart": null, "glasses": [], "origin": ""}'), '$.later', json_compact(coalesce((SELECT json_arrayagg(json_object('earliest', round(l.`s` * 0.85), 'best', l.`s`, 'latest', round(l.`s` * 1.2))) FROM json_table(`plan`, '$.recipe.later[*]' COLUMNS (`s` double PATH '$')) l), '[]'))));
--> statement-breakpoint
INSERT INTO `lots` (`id`, `tea_id`, `name`, `harvest`, `note`, `state`, `rev`) SELECT uuid(), `id`, `lot`, '', '', 'inUse', 1 FROM `teas` WHERE `lot` <> '';
