CREATE TABLE `tea_fits` (
	`id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`state` enum('inUse','aside') NOT NULL,
	`fit` json NOT NULL,
	`person_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `tea_fits_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `tastings` ADD `after_id` char(36);--> statement-breakpoint
ALTER TABLE `tastings` ADD `vessel_id` char(36);--> statement-breakpoint
ALTER TABLE `teas` ADD `swatches` json;--> statement-breakpoint
ALTER TABLE `tea_fits` ADD CONSTRAINT `tea_fits_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `tea_fits` ADD CONSTRAINT `tea_fits_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `fits_tea` ON `tea_fits` (`tea_id`,`state`);--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`) ON DELETE no action ON UPDATE no action;