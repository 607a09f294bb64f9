CREATE TABLE `brew_events` (
	`id` char(36) NOT NULL,
	`brew_id` char(36) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`at` datetime(3) NOT NULL,
	`received` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	`body` json NOT NULL,
	CONSTRAINT `brew_events_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `brews` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`vessel_id` char(36) NOT NULL,
	`version_id` char(36) NOT NULL,
	`place` tinyint NOT NULL,
	`plan` json NOT NULL,
	`state` enum('warming','steeping','pulled','judged','abandoned') NOT NULL,
	`open` boolean NOT NULL,
	`started_at` datetime(3) NOT NULL,
	`started_by` char(36) NOT NULL,
	`water_on` datetime(3),
	`pulled` datetime(3),
	`pulled_by` char(36),
	`ended` datetime(3),
	`judged_by` char(36),
	`timing` enum('early','inWindow','late'),
	`verdict_kind` enum('right','off','unjudged') NOT NULL,
	`verdict` json,
	`proposal` json,
	`accepted` boolean,
	`remark` varchar(200) NOT NULL,
	CONSTRAINT `brews_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `house` (
	`id` tinyint NOT NULL,
	`demo` boolean NOT NULL,
	`begun` datetime(3) NOT NULL,
	CONSTRAINT `house_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `lead_notes` (
	`id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`brew_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`headline` varchar(120) NOT NULL,
	`change_text` varchar(200) NOT NULL,
	`found` varchar(200) NOT NULL,
	`settled` datetime(3),
	`settled_by` char(36),
	CONSTRAINT `lead_notes_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `people` (
	`id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`role` enum('trainee','brewer','lead') NOT NULL,
	`secret_hash` varchar(200) NOT NULL,
	`active` boolean NOT NULL,
	CONSTRAINT `people_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `person_sites` (
	`person_id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	CONSTRAINT `person_sites_person_id_site_id_pk` PRIMARY KEY(`person_id`,`site_id`)
);
--> statement-breakpoint
CREATE TABLE `sessions` (
	`token_hash` varchar(64) NOT NULL,
	`person_id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`begun` datetime(3) NOT NULL,
	`expires` datetime(3) NOT NULL,
	CONSTRAINT `sessions_token_hash` PRIMARY KEY(`token_hash`)
);
--> statement-breakpoint
CREATE TABLE `signin_misses` (
	`subject` varchar(80) NOT NULL,
	`misses` int NOT NULL,
	`last` datetime(3) NOT NULL,
	CONSTRAINT `signin_misses_subject` PRIMARY KEY(`subject`)
);
--> statement-breakpoint
CREATE TABLE `sites` (
	`id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`altitude_m` double NOT NULL,
	`measured_boiling_c` double,
	`cold_water_c` double NOT NULL,
	`ambient_c` double NOT NULL,
	`pour_loss` double,
	`kettle` json NOT NULL,
	`volume_unit` enum('ml','usFlOz','imperialFlOz') NOT NULL,
	`temperature_unit` enum('C','F') NOT NULL,
	CONSTRAINT `sites_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `teas` (
	`id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`style` varchar(20) NOT NULL,
	`method` varchar(20) NOT NULL,
	`lot` varchar(60) NOT NULL,
	`words` varchar(200) NOT NULL,
	`allergens` varchar(200) NOT NULL,
	`note` varchar(500) NOT NULL,
	`weighing` json,
	`spoon` varchar(20) NOT NULL,
	`rev` int NOT NULL,
	`retired` boolean NOT NULL,
	CONSTRAINT `teas_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `recipe_versions` (
	`id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`number` int NOT NULL,
	`state` enum('draft','trial','house','retired') NOT NULL,
	`recipe` json NOT NULL,
	`reason` varchar(300) NOT NULL,
	`author_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `recipe_versions_id` PRIMARY KEY(`id`),
	CONSTRAINT `version_number` UNIQUE(`tea_id`,`number`)
);
--> statement-breakpoint
CREATE TABLE `vessels` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`facts` json NOT NULL,
	`rev` int NOT NULL,
	`retired` boolean NOT NULL,
	CONSTRAINT `vessels_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `brew_events` ADD CONSTRAINT `brew_events_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brew_events` ADD CONSTRAINT `brew_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_started_by_people_id_fk` FOREIGN KEY (`started_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_pulled_by_people_id_fk` FOREIGN KEY (`pulled_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_judged_by_people_id_fk` FOREIGN KEY (`judged_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lead_notes` ADD CONSTRAINT `lead_notes_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lead_notes` ADD CONSTRAINT `lead_notes_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lead_notes` ADD CONSTRAINT `lead_notes_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lead_notes` ADD CONSTRAINT `lead_notes_settled_by_people_id_fk` FOREIGN KEY (`settled_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person_sites` ADD CONSTRAINT `person_sites_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `person_sites` ADD CONSTRAINT `person_sites_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD CONSTRAINT `recipe_versions_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD CONSTRAINT `recipe_versions_author_id_people_id_fk` FOREIGN KEY (`author_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `vessels` ADD CONSTRAINT `vessels_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `events_brew` ON `brew_events` (`brew_id`,`at`);--> statement-breakpoint
CREATE INDEX `brews_open` ON `brews` (`site_id`,`open`);--> statement-breakpoint
CREATE INDEX `brews_newest` ON `brews` (`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `brews_site` ON `brews` (`site_id`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `brews_tea` ON `brews` (`tea_id`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `brews_person` ON `brews` (`started_by`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `brews_verdict` ON `brews` (`verdict_kind`,`started_at`,`id`);--> statement-breakpoint
CREATE INDEX `notes_tea` ON `lead_notes` (`tea_id`,`settled`);--> statement-breakpoint
CREATE INDEX `sessions_person` ON `sessions` (`person_id`,`begun`);--> statement-breakpoint
CREATE INDEX `teas_name` ON `teas` (`name`);--> statement-breakpoint
CREATE INDEX `version_state` ON `recipe_versions` (`tea_id`,`state`);--> statement-breakpoint
CREATE INDEX `vessels_site` ON `vessels` (`site_id`);