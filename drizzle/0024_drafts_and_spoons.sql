CREATE TABLE `spoon_weighings` (
	`id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`spoon` varchar(36) NOT NULL,
	`singles` json NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `spoon_weighings_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD `taken_by` char(36);--> statement-breakpoint
ALTER TABLE `spoon_weighings` ADD CONSTRAINT `spoon_weighings_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `spoon_weighings` ADD CONSTRAINT `spoon_weighings_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `spoon_weighings` ADD CONSTRAINT `spoon_weighings_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `spoon_weighings_person` ON `spoon_weighings` (`person_id`,`at`);--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD CONSTRAINT `recipe_versions_taken_by_people_id_fk` FOREIGN KEY (`taken_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `version_author` ON `recipe_versions` (`author_id`);