CREATE TABLE `drill_answers` (
	`id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`day` date NOT NULL,
	`drill` enum('diagnose','order') NOT NULL,
	`version` int NOT NULL,
	`level` int NOT NULL,
	`guess` double NOT NULL,
	`seed` double NOT NULL,
	`given` json NOT NULL,
	`choices` json NOT NULL,
	`answer` json NOT NULL,
	`credit` double NOT NULL,
	`judged` enum('right','near','wrong') NOT NULL,
	`ms` int NOT NULL,
	`dispute` enum('open','wrong','right'),
	CONSTRAINT `drill_answers_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `sign_events` (
	`id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`skill` enum('measure','scale','heat','steep','see','taste','correct','rescue','cold','teach') NOT NULL,
	`kind` enum('begun','asked','signed','withdrawn') NOT NULL,
	`at` datetime(3) NOT NULL,
	`day` date NOT NULL,
	`until_day` date,
	`note` varchar(300) NOT NULL,
	`by_id` char(36) NOT NULL,
	CONSTRAINT `sign_events_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `drill_answers` ADD CONSTRAINT `drill_answers_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `drill_answers` ADD CONSTRAINT `drill_answers_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sign_events` ADD CONSTRAINT `sign_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sign_events` ADD CONSTRAINT `sign_events_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `sign_events` ADD CONSTRAINT `sign_events_by_id_people_id_fk` FOREIGN KEY (`by_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `drill_answers_person` ON `drill_answers` (`person_id`,`at`);--> statement-breakpoint
CREATE INDEX `drill_answers_site` ON `drill_answers` (`site_id`);--> statement-breakpoint
CREATE INDEX `sign_events_person` ON `sign_events` (`person_id`);