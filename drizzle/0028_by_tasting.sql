ALTER TABLE `brews` MODIFY COLUMN `state` enum('warming','steeping','pulled','judged','abandoned','tasting') NOT NULL;--> statement-breakpoint
ALTER TABLE `brews` MODIFY COLUMN `timing` enum('early','inWindow','late','forgotten','byEye','byTaste');--> statement-breakpoint
ALTER TABLE `brews` ADD `leaf_out` datetime(3);--> statement-breakpoint
ALTER TABLE `brews` ADD `outs` json;--> statement-breakpoint
ALTER TABLE `brews` ADD `tastes` json;