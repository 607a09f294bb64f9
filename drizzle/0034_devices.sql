CREATE TABLE `devices` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`token_hash` varchar(64),
	`code_id` char(36),
	`code_hash` varchar(64),
	`code_until` datetime(3),
	`added` datetime(3) NOT NULL,
	`added_by` char(36) NOT NULL,
	`paired` datetime(3),
	`seen` datetime(3),
	`revoked` datetime(3),
	CONSTRAINT `devices_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `sessions` ADD `device_id` char(36);--> statement-breakpoint
ALTER TABLE `sessions` ADD `agent` varchar(60) DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE `sessions` ADD `seen` datetime(3);--> statement-breakpoint
ALTER TABLE `devices` ADD CONSTRAINT `devices_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `devices` ADD CONSTRAINT `devices_added_by_people_id_fk` FOREIGN KEY (`added_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `devices_token` ON `devices` (`token_hash`);--> statement-breakpoint
CREATE INDEX `devices_code` ON `devices` (`code_hash`);--> statement-breakpoint
ALTER TABLE `sessions` ADD CONSTRAINT `sessions_device_id_devices_id_fk` FOREIGN KEY (`device_id`) REFERENCES `devices`(`id`) ON DELETE no action ON UPDATE no action;