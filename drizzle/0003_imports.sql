CREATE TABLE `imports` (
	`id` char(36) NOT NULL,
	`at` datetime(3) NOT NULL,
	`person_id` char(36) NOT NULL,
	`name` varchar(200) NOT NULL,
	`counts` json NOT NULL,
	`steps` json NOT NULL,
	`undone` boolean NOT NULL,
	CONSTRAINT `imports_id` PRIMARY KEY(`id`)
);
--> statement-breakpoint
ALTER TABLE `recipe_versions` ADD `author_there` varchar(60);--> statement-breakpoint
ALTER TABLE `imports` ADD CONSTRAINT `imports_person_id_people_id_fk` FOREIGN KEY (`person_id`) REFERENCES `people`(`id`) ON DELETE no action ON UPDATE no action;