CREATE TABLE `cold_plans` (
	`site_id` char(36) NOT NULL,
	`rev` int NOT NULL,
	`demand` json NOT NULL,
	`batches` json NOT NULL,
	`places` int,
	`changed` datetime(3) NOT NULL,
	`changed_by` char(36) NOT NULL,
	CONSTRAINT `cold_plans_site_id` PRIMARY KEY(`site_id`)
);
--> statement-breakpoint
ALTER TABLE `sites` ADD `hours` json;--> statement-breakpoint
ALTER TABLE `sites` ADD `limits` json;--> statement-breakpoint
ALTER TABLE `cold_plans` ADD CONSTRAINT `cold_plans_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `cold_plans` ADD CONSTRAINT `cold_plans_changed_by_people_id_fk` FOREIGN KEY (`changed_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;