CREATE TABLE `brew_photos` (
	`id` char(36) NOT NULL,
	`brew_id` char(36) NOT NULL,
	`person_id` char(36) NOT NULL,
	`body` mediumblob NOT NULL,
	CONSTRAINT `brew_photos_id` PRIMARY KEY(`id`),
	CONSTRAINT `photo_brew` UNIQUE(`brew_id`)
);
--> statement-breakpoint
ALTER TABLE `brew_photos` ADD CONSTRAINT `brew_photos_brew_id_brews_id_fk` FOREIGN KEY (`brew_id`) REFERENCES `brews`(`id`) ON DELETE no action ON UPDATE no action;--> statement-breakpoint
ALTER TABLE `brew_photos` ADD CONSTRAINT `brew_photos_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;