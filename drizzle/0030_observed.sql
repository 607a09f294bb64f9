CREATE TABLE `brew_terms` (
	`term` varchar(50) NOT NULL,
	`brew_id` char(36) NOT NULL,
	CONSTRAINT `brew_terms_term_brew_id_pk` PRIMARY KEY(`term`,`brew_id`)
);
--> statement-breakpoint
ALTER TABLE `brews` ADD `observed` json;--> statement-breakpoint
ALTER TABLE `brew_terms` ADD CONSTRAINT `brew_terms_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
CREATE INDEX `terms_brew` ON `brew_terms` (`brew_id`);