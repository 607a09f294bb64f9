CREATE TABLE `tasting_guests` (
	`id` char(36) NOT NULL,
	`tasting_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`pass_hash` varchar(64) NOT NULL,
	`at` datetime(3) NOT NULL,
	CONSTRAINT `tasting_guests_id` PRIMARY KEY(`id`),
	CONSTRAINT `tasting_guests_pass` UNIQUE(`pass_hash`)
);
--> statement-breakpoint
ALTER TABLE `tasting_events` ADD `guest_id` char(36);--> statement-breakpoint
ALTER TABLE `tastings` ADD `guest_code` varchar(6);--> statement-breakpoint
ALTER TABLE `tastings` ADD `guests_until` datetime(3);--> statement-breakpoint
ALTER TABLE `tastings` ADD CONSTRAINT `tastings_guest_code` UNIQUE(`guest_code`);--> statement-breakpoint
ALTER TABLE `tasting_guests` ADD CONSTRAINT `tasting_guests_tasting_id_tastings_id_fk` FOREIGN KEY (`tasting_id`) REFERENCES `tastings`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `tasting_guests_tasting` ON `tasting_guests` (`tasting_id`);--> statement-breakpoint
ALTER TABLE `tasting_events` ADD CONSTRAINT `tasting_events_guest_id_tasting_guests_id_fk` FOREIGN KEY (`guest_id`) REFERENCES `tasting_guests`(`id`) ON DELETE no action ON UPDATE no action;