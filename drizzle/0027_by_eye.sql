ALTER TABLE `brews` MODIFY COLUMN `timing` enum('early','inWindow','late','forgotten','byEye');--> statement-breakpoint
ALTER TABLE `brews` ADD `seen_colour` tinyint;