CREATE TABLE `tasting_events` (
	`id` char(36) NOT NULL,
	`tasting_id` char(36) NOT NULL,
	`seq` int NOT NULL,
	`at` datetime(3) NOT NULL,
	`received` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	`act` json NOT NULL,
	CONSTRAINT `tasting_events_id` PRIMARY KEY(`id`),
	CONSTRAINT `tasting_events_order` UNIQUE(`tasting_id`,`seq`)
);
--> statement-breakpoint
CREATE TABLE `tastings` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`lot_id` char(36),
	`version_id` char(36) NOT NULL,
	`kind` varchar(20) NOT NULL,
	`exercise` json NOT NULL,
	`vessel` json NOT NULL,
	`stage` enum('set','running','tasting','revealed','stopped') NOT NULL,
	`handed_in` int NOT NULL,
	`set_by` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `tastings_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `tasting_events` ADD CONSTRAINT `tasting_events_tasting_id_tastings_id_fk` FOREIGN KEY (`tasting_id`) REFERENCES `tastings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tasting_events` ADD CONSTRAINT `tasting_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_set_by_people_id_fk` FOREIGN KEY (`set_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `tastings_site` ON `tastings` (`site_id`,`at`);--> statement-breakpoint
CREATE INDEX `tastings_tea` ON `tastings` (`tea_id`,`stage`);