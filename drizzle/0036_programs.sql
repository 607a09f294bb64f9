CREATE TABLE `program_messages` (
	`id` char(36) NOT NULL,
	`program_id` char(36) NOT NULL,
	`body` json NOT NULL,
	`at` datetime(3) NOT NULL,
	`due` datetime(3) NOT NULL,
	`tries` int NOT NULL,
	`state` enum('waiting','taken','lost') NOT NULL,
	CONSTRAINT `program_messages_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `programs` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`rights` json NOT NULL,
	`key_hash` varchar(64) NOT NULL,
	`hook` varchar(300),
	`secret` varchar(64),
	`made` datetime(3) NOT NULL,
	`made_by` char(36) NOT NULL,
	`used` datetime(3),
	`ended` datetime(3),
	CONSTRAINT `programs_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `orders` ADD `program_id` char(36);--> statement-breakpoint
ALTER TABLE `orders` ADD `ready_said` datetime(3);--> statement-breakpoint
ALTER TABLE `program_messages` ADD CONSTRAINT `program_messages_program_id_programs_id_fk` FOREIGN KEY (`program_id`) REFERENCES `programs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `programs` ADD CONSTRAINT `programs_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `programs` ADD CONSTRAINT `programs_made_by_people_id_fk` FOREIGN KEY (`made_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `program_messages_due` ON `program_messages` (`state`,`due`);--> statement-breakpoint
CREATE INDEX `programs_key` ON `programs` (`key_hash`);--> statement-breakpoint
ALTER TABLE `orders` ADD CONSTRAINT `orders_program_id_programs_id_fk` FOREIGN KEY (`program_id`) REFERENCES `programs`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `orders_program` ON `orders` (`program_id`,`at`);