CREATE TABLE `lot_stock` (
	`lot_id` char(36) NOT NULL,
	`grams` double,
	`counted_at` datetime(3),
	`counted_by` char(36),
	`price_per_100g` double,
	`currency` varchar(3),
	CONSTRAINT `lot_stock_lot_id` PRIMARY KEY(`lot_id`)
);
--> statement-breakpoint
CREATE TABLE `pockets` (
	`id` char(36) NOT NULL,
	`site_id` char(36) NOT NULL,
	`tea_id` char(36) NOT NULL,
	`lot_id` char(36),
	`grams` double NOT NULL,
	`filled` int NOT NULL,
	`left_n` int NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	`rev` int NOT NULL DEFAULT 1,
	CONSTRAINT `pockets_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `lot_stock` ADD CONSTRAINT `lot_stock_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `lot_stock` ADD CONSTRAINT `lot_stock_counted_by_people_id_fk` FOREIGN KEY (`counted_by`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pockets` ADD CONSTRAINT `pockets_site_id_sites_id_fk` FOREIGN KEY (`site_id`) REFERENCES `sites`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pockets` ADD CONSTRAINT `pockets_tea_id_teas_id_fk` FOREIGN KEY (`tea_id`) REFERENCES `teas`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pockets` ADD CONSTRAINT `pockets_lot_id_lots_id_fk` FOREIGN KEY (`lot_id`) REFERENCES `lots`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `pockets` ADD CONSTRAINT `pockets_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `pockets_tea` ON `pockets` (`tea_id`,`site_id`,`at`);