ALTER TABLE `brews` ADD `left_out_why` varchar(200);--> statement-breakpoint
ALTER TABLE `brews` ADD `left_out_by` char(36);--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD `expected` json;--> statement-breakpoint
ALTER TABLE `brews` ADD CONSTRAINT `brews_left_out_by_people_id_fk` FOREIGN KEY (`left_out_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;