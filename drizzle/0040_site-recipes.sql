CREATE TABLE `site_recipes` (
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`method` varchar(20) NOT NULL,
	`version_id` char(36) NOT NULL,
	`why` enum('altitude','water','heat','taste') NOT NULL,
	`words` varchar(200) NOT NULL,
	`person_id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `site_recipes_site_id_tea_id_method_pk` PRIMARY KEY(`site_id`,`tea_id`,`method`)
);
--> statement-breakpoint
ALTER TABLE `site_recipes` ADD CONSTRAINT `site_recipes_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_recipes` ADD CONSTRAINT `site_recipes_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_recipes` ADD CONSTRAINT `site_recipes_version_id_recipe_versions_id_fk` FOREIGN KEY (`version_id`) REFERENCES `recipe_versions`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `site_recipes` ADD CONSTRAINT `site_recipes_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;