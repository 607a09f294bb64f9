CREATE TABLE `batch_events` (
	`id` char(36) NOT NULL,
	`batch_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`received` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	`body` json NOT NULL,
	`flag` varchar(200),
	CONSTRAINT `batch_events_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `batches` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`lot_id` char(36),
	`version_id` char(36) NOT NULL,
	`vessel_id` char(36) NOT NULL,
	`plan` json NOT NULL,
	`leaf_in` datetime(3) NOT NULL,
	`started_by` char(36) NOT NULL,
	`standing` boolean NOT NULL,
	`ended` datetime(3),
	CONSTRAINT `batches_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `fridge_readings` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`celsius` double NOT NULL,
	`person_id` char(36) NOT NULL,
	CONSTRAINT `fridge_readings_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `batch_events` ADD CONSTRAINT `batch_events_batch_id_batches_id_fk` FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batch_events` ADD CONSTRAINT `batch_events_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_vessel_id_vessels_id_fk` FOREIGN KEY (`vessel_id`) REFERENCES `vessels`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `batches` ADD CONSTRAINT `batches_started_by_people_id_fk` FOREIGN KEY (`started_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `fridge_readings` ADD CONSTRAINT `fridge_readings_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `fridge_readings` ADD CONSTRAINT `fridge_readings_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `batch_events_batch` ON `batch_events` (`batch_id`);--> statement-breakpoint
CREATE INDEX `batches_site` ON `batches` (`site_id`,`standing`);--> statement-breakpoint
CREATE INDEX `batches_ended` ON `batches` (`site_id`,`ended`);--> statement-breakpoint
CREATE INDEX `fridge_readings_site` ON `fridge_readings` (`site_id`,`at`);