CREATE TABLE `calendar_entries` (
	`uid` varchar(80) NOT NULL,
	`site_id` char(36) NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`to_at` datetime(3) NOT NULL,
	`alarm_at` datetime(3),
	`status` enum('tentative','confirmed','cancelled') NOT NULL,
	`summary` varchar(200) NOT NULL,
	`sequence` int NOT NULL,
	`changed` datetime(3) NOT NULL,
	CONSTRAINT `calendar_entries_uid` PRIMARY KEY(`uid`)
);
--> statement-breakpoint
CREATE TABLE `calendar_tokens` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`hash` char(64) NOT NULL,
	`made` datetime(3) NOT NULL,
	`made_by` char(36) NOT NULL,
	`ended` datetime(3),
	CONSTRAINT `calendar_tokens_id` PRIMARY KEY(`id`),
	CONSTRAINT `calendar_token` UNIQUE(`hash`)
);
--> statement-breakpoint
CREATE TABLE `fridge_gaps` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`from_at` datetime(3) NOT NULL,
	`to_at` datetime(3) NOT NULL,
	`reason` varchar(200) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	CONSTRAINT `fridge_gaps_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE TABLE `probes` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`key_hash` char(64) NOT NULL,
	`added` datetime(3) NOT NULL,
	`added_by` char(36) NOT NULL,
	`ended` datetime(3),
	`heard` datetime(3),
	`doubt` enum('absurd','stuck'),
	`value` double,
	`value_since` datetime(3),
	CONSTRAINT `probes_id` PRIMARY KEY(`id`),
	CONSTRAINT `probe_key` UNIQUE(`key_hash`)
);
--> statement-breakpoint
ALTER TABLE `fridge_readings` MODIFY COLUMN `person_id` char(36);--> statement-breakpoint
ALTER TABLE `lead_notes` MODIFY COLUMN `brew_id` char(36);--> statement-breakpoint
ALTER TABLE `fridge_readings` ADD `probe_id` char(36);--> statement-breakpoint
ALTER TABLE `lead_notes` ADD `batch_id` char(36);--> statement-breakpoint
ALTER TABLE `fridge_readings` ADD CONSTRAINT `fridge_readings_probe` UNIQUE(`probe_id`,`at`);--> statement-breakpoint
ALTER TABLE `calendar_entries` ADD CONSTRAINT `calendar_entries_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `calendar_tokens` ADD CONSTRAINT `calendar_tokens_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `calendar_tokens` ADD CONSTRAINT `calendar_tokens_made_by_people_id_fk` FOREIGN KEY (`made_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `fridge_gaps` ADD CONSTRAINT `fridge_gaps_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `fridge_gaps` ADD CONSTRAINT `fridge_gaps_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `probes` ADD CONSTRAINT `probes_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `probes` ADD CONSTRAINT `probes_added_by_people_id_fk` FOREIGN KEY (`added_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `calendar_entries_site` ON `calendar_entries` (`site_id`);--> statement-breakpoint
CREATE INDEX `calendar_site` ON `calendar_tokens` (`site_id`);--> statement-breakpoint
CREATE INDEX `fridge_gaps_site` ON `fridge_gaps` (`site_id`);--> statement-breakpoint
CREATE INDEX `probes_site` ON `probes` (`site_id`);--> statement-breakpoint
ALTER TABLE `fridge_readings` ADD CONSTRAINT `fridge_readings_probe_id_probes_id_fk` FOREIGN KEY (`probe_id`) REFERENCES `probes`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lead_notes` ADD CONSTRAINT `lead_notes_batch_id_batches_id_fk` FOREIGN KEY (`batch_id`) REFERENCES `batches`(`id`) ON DELETE no action ON UPDATE no action;