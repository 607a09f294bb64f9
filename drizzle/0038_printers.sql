CREATE TABLE `printers` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`name` varchar(60) NOT NULL,
	`language` enum('zpl','escpos') NOT NULL,
	`host` varchar(120) NOT NULL,
	`port` int NOT NULL,
	`dots` tinyint NOT NULL,
	CONSTRAINT `printers_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `printers` ADD CONSTRAINT `printers_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;