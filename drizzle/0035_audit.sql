CREATE TABLE `audit` (
	`id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`kind` varchar(12) NOT NULL,
	`person_id` char(36),
	`site_id` char(36),
	`address` varchar(60) NOT NULL,
	`what` varchar(300) NOT NULL,
	`code` varchar(40),
	CONSTRAINT `audit_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
CREATE INDEX `audit_at` ON `audit` (`at`,`id`);--> statement-breakpoint
CREATE INDEX `audit_person` ON `audit` (`person_id`,`at`);--> statement-breakpoint
CREATE INDEX `changes_at` ON `changes` (`at`,`id`);